/** Responses to one questionnaire as records among which the lookups of another choose. */
package orthogon.app.records;
