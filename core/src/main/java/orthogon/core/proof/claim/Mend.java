package orthogon.core.proof.claim;

import orthogon.core.proof.message.Message;

/**
 * A change that settles a refuted claim.
 *
 * @param words what it does, as an order
 * @param place of the condition, start value or text that changes
 * @param text what stands there afterwards; empty to take it away
 */
public record Mend(Message words, String place, String text) {}
