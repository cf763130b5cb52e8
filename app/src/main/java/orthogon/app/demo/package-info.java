/** The demo data of Quillmere Wildlife Station: made-up questionnaires, releases and responses. */
package orthogon.app.demo;
