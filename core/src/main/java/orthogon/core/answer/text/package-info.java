/** Short and long texts: lengths, content, patterns. */
package orthogon.core.answer.text;
