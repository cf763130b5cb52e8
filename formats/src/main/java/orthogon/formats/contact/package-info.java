/** Email addresses, phone numbers and web addresses as people type them, checked and brought into their usual form by standard libraries. */
package orthogon.formats.contact;
