/** Who may sign in and what each role may do. */
package orthogon.app.account;
