/** What the answers to a questionnaire look like, for those who work with them: data dictionary and JSON Schema (2020-12). */
package orthogon.formats.dictionary;
