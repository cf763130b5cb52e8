/** Who there is, what each role may do, passwords, second factors, and who is signed in. */
package orthogon.app.account;
