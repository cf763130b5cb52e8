/** What every sheet of a questionnaire shows: the tabs at the head, the title block at the foot, and what went wrong. */
package orthogon.app.frame;
