/** The sentence builder, wherever a condition is built. */
package orthogon.app.builder;
