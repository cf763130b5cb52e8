/** Mail. What is here only simulates it: messages are kept and shown, none leaves the machine. No wording of any message lives here. */
package orthogon.app.outbox;
