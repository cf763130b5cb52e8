/**
 * What people do: one transaction for each act, its line in the trail among what is kept. Nothing here knows of pages, requests or
 * sessions.
 */
package orthogon.app.work;
