/**
 * Reading what came in: conditions over sent responses. A response is filtered by the expression language of the questionnaire, over its
 * answers and over what is known about it ({@link orthogon.core.responses.ResponseDocument}). What a database can decide by itself is said
 * as a {@link orthogon.core.responses.Selection}; nothing here knows a database.
 */
package orthogon.core.responses;
