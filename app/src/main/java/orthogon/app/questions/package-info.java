/** One page of questions as respondents meet it: what is shown, and how a posted form becomes answers. */
package orthogon.app.questions;
