/** Who did what, and what the workspace asks of everybody. */
package orthogon.app.trail;
