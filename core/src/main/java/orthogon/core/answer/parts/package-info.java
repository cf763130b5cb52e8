/** Names of persons and postal addresses, in parts. */
package orthogon.core.answer.parts;
