/** Which addresses are open to whom, and how people sign in. What a role may do is told in {@code account}. */
package orthogon.app.doors;
