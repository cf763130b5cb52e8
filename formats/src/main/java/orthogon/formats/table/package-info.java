/** Tables as files: CSV (RFC 4180) and XLSX. What stands in them is for others to say. */
package orthogon.formats.table;
