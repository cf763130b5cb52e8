/** Responses as files: comma separated values, workbooks and JSON, all written row by row. */
package orthogon.formats.responses;
