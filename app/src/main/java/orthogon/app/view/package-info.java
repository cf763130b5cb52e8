/** How the model of a page, one record, comes before its template. */
package orthogon.app.view;
