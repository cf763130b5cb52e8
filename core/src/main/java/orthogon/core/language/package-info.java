/** Texts that respondents meet: which there are, and how earlier answers are put into them. No markup and no pages live here. */
package orthogon.core.language;
