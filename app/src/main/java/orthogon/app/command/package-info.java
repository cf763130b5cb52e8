/** The commands of {@code bin/orthogon} that run without the web application. */
package orthogon.app.command;
