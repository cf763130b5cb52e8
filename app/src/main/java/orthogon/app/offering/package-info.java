/** Which release an address leads to, and whether it takes answers at present. How that is set, and the pages themselves, live elsewhere. */
package orthogon.app.offering;
