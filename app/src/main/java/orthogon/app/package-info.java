/** The web application: one package for each sheet and one for the respondent, with what they share beside them. */
package orthogon.app;
