/**
 * The document file, {@code *.orthogon.json}: JSON in stable order, read strictly. Every fault of a file is named by its JSON Pointer.
 * What the document means is the business of {@code core}.
 */
package orthogon.formats.document;
