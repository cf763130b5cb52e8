/** Ratings and likelihoods in the browser: settings and control. */
package orthogon.app.answer.scale;
