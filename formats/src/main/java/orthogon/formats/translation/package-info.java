/**
 * Texts on their way to translators and back: XLIFF 2.1 (OASIS), CSV and XLSX. All three carry the same rows. What a file would change,
 * and what of it is refused, is for the core to say.
 */
package orthogon.formats.translation;
