/** The sheet Dispatch: what is sent once an interview is. It reads and shows; the rules are in core/dispatch, delivery is in outbox. */
package orthogon.app.dispatch;
