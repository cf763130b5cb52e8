/** The mailbox: shows every message that is kept and how far it is. Writing and delivering messages is done in outbox. */
package orthogon.app.mailbox;
