/** Options put in order in the browser: settings and control. */
package orthogon.app.answer.ranking;
