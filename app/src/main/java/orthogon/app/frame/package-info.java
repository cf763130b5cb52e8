/** What every sheet of a questionnaire shows: the tabs at the head, and the title block at the foot. */
package orthogon.app.frame;
