/** Pages of HTML and drawings that are files of their own, made from the templates beside this package's name among the resources. */
package orthogon.formats.page;
