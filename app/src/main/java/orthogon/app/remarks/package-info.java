/** What people say about rows of a draft, shown beside the row in Compose. */
package orthogon.app.remarks;
