/** What is kept: drafts with every revision, releases, interviews, responses. The SQL stands at the head of each store. */
package orthogon.app.store;
