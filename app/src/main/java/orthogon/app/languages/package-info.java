/**
 * The sheet of texts in other languages, and the files that go to translators and come back. What a text must keep, and what a file would
 * change, is decided in the core.
 */
package orthogon.app.languages;
