/**
 * The document an analyst designs: immutable records for pages, items, answers, rules and outcomes. Conditions are kept as the
 * text the analyst wrote; reading them is the business of {@code expression}. Nothing here changes, stores or displays a document.
 */
package orthogon.core.questionnaire;
