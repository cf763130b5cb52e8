/** Countries and languages by their ISO codes. */
package orthogon.core.answer.iso;
