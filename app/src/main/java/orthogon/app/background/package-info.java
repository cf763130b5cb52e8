/** Long work beside the pages: large files read and made, with their progress, called off at will. */
package orthogon.app.background;
