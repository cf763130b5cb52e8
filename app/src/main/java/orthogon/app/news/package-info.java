/** News for pages that are open: new revisions, proofs and counts. It tells that there is something new, and never what. */
package orthogon.app.news;
