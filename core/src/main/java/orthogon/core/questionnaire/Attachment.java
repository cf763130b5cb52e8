package orthogon.core.questionnaire;

/**
 * One file that a respondent gave.
 *
 * @param key under which its content is kept
 * @param name as the respondent calls it
 * @param bytes its size
 * @param mediaType told by its content
 */
public record Attachment(String key, String name, long bytes, String mediaType) {}
