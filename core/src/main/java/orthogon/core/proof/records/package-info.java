/** What is known of the records that a lookup offers: whatever the respondents of another questionnaire can give. */
package orthogon.core.proof.records;
