/**
 * One respondent's way through one document: what is asked, what is accepted, where it goes next, which outcome it ends in. It is
 * written without regard to {@code proof}, so that each can check the other. It stores nothing and shows nothing.
 */
package orthogon.core.interview;
