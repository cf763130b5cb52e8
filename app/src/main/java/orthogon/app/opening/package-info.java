/** What a response opens: which questionnaire a follow-up is, when it is due, and the interview of whoever answers it. */
package orthogon.app.opening;
