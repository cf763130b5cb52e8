/** What happens once an interview is sent: who is sent which message. Rules only; how a message is written and delivered stands elsewhere. */
package orthogon.core.dispatch;
