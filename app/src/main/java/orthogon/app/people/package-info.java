/** Who there is, for administrators; one's own account, for everybody; the first start and the links by which people choose a password. */
package orthogon.app.people;
