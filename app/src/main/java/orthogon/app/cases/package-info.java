/** Cases: responses with their follow-ups, who is waited for, and what is decided. */
package orthogon.app.cases;
