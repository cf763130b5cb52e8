/** Names of persons and postal addresses in files: settings, values, columns and paper. */
package orthogon.formats.answer.parts;
