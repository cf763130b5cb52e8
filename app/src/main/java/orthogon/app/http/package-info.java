/**
 * What holds for every request, whoever sends it: addresses, the way through a proxy, limits and pace, and pages of errors. Nothing of
 * the job lives here.
 */
package orthogon.app.http;
