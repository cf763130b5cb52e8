/** JSON objects, read member by member with every fault named by its JSON Pointer, and written in a fixed order. */
package orthogon.formats.json;
