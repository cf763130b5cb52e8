/** The Rules sheet: every distinct condition with all that it governs, named conditions, and the outcome table as a decision table. */
package orthogon.app.rules;
