/** Addresses as pictures to be printed: QR codes (ISO/IEC 18004). */
package orthogon.formats.link;
