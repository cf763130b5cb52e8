/**
 * Messages that Orthogon sends: each is kept in the transaction of its cause and delivered afterwards, by a mail server or, without one, not
 * at all. No wording of any message lives here.
 */
package orthogon.app.outbox;
