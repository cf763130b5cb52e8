/**
 * Answers in files: what every type has in common. Each type lives in a package of its own below this one, with its JSON, its schema, its
 * columns and its paper; {@code kinds} lists them. What a file is made of otherwise is told elsewhere.
 */
package orthogon.formats.answer;
