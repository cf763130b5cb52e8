/**
 * The expression language, a subset of the open FEEL standard: text to typed tree to value, printing back, and what an expression
 * refers to. {@code Wiring} reads every expression of a document at its place. What follows from a condition for a respondent is
 * decided by {@code interview}, and for all respondents by {@code proof}.
 */
package orthogon.core.expression;
