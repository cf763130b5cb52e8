/** How far the making of a large file is. */
package orthogon.formats.progress;
