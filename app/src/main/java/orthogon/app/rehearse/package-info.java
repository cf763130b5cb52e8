/** The Rehearse sheet: the respondent's page beside the reasons. Nothing rehearsed is kept or counted. */
package orthogon.app.rehearse;
