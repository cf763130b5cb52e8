/** What an interview sends once it is complete: its messages, and the files that come with them. */
package orthogon.app.sending;
