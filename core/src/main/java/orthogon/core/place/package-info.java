/**
 * Where a rule, an option or a comparison stands, as a value. The text form is only for files, reports and forms. What stands at a place
 * is for other packages to say.
 */
package orthogon.core.place;
