/**
 * The Map sheet: the questionnaire as a drawing of its branches. What there is to draw is read off the document and its proof
 * ({@link orthogon.app.map.Branches}), laid out by a graph library, and written as SVG; nothing is decided here.
 */
package orthogon.app.map;
