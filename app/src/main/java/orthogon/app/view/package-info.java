/** What pages share on the way to their templates: how the model of a page, one record, comes before it, and parts of long lists. */
package orthogon.app.view;
