/** Email addresses, phone numbers and web addresses. */
package orthogon.core.answer.contact;
