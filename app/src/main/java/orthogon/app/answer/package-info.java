/**
 * Answers in the browser: what every type has in common. Each type lives in a package of its own below this one, with its settings in the
 * inspector, its control, and what is read of a form; its template is {@code templates/answer}. {@code kinds} lists them.
 */
package orthogon.app.answer;
