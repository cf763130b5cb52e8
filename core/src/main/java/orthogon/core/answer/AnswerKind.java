package orthogon.core.answer;

import java.util.Arrays;
import java.util.Optional;

/** Every type of answer that an analyst can choose, in the order in which they are listed. */
public enum AnswerKind {
    SHORT_TEXT("shortText", "short text"), LONG_TEXT("longText", "long text"), ONE_CHOICE("oneChoice", "one choice"), MANY_CHOICES(
            "manyChoices", "many choices"), YES_NO("yesNo", "yes / no"), NUMBER("number", "number"), PERCENTAGE("percentage",
                    "percentage"), DATE("date", "date"), TIME("time",
                            "time"), RATING("rating", "rating"), LIKELIHOOD("likelihood", "likelihood"), GRID("grid", "grid"), RANKING(
                                    "ranking",
                                    "ranking"), PERSON_NAME("personName", "person name"), POSTAL_ADDRESS("postalAddress",
                                            "postal address"), EMAIL("email", "email"), PHONE("phone", "phone"), WEB_ADDRESS("webAddress",
                                                    "web address"), COUNTRY("country", "country"), LANGUAGE("language", "language"), FILE(
                                                            "file",
                                                            "file"), AGREEMENT("agreement", "agreement"), SIGNATURE("signature",
                                                                    "signature"), HIDDEN("hidden", "hidden"), LOOKUP("lookup", "lookup");

    private final String type;
    private final String words;

    AnswerKind(String type, String words) {
        this.type = type;
        this.words = words;
    }

    /** The camel-case name in the document file. */
    public String type() {
        return type;
    }

    /** Whether answers of this kind are usually about a person. */
    public boolean isPersonal() {
        return switch (this) {
            case PERSON_NAME, POSTAL_ADDRESS, EMAIL, PHONE, FILE, SIGNATURE, LOOKUP -> true;
            default -> false;
        };
    }

    /** The name in the interface. */
    public String words() {
        return words;
    }

    /** The kind with a name in the document file; empty where there is none. */
    public static Optional<AnswerKind> of(String type) {
        return Arrays.stream(values()).filter(k -> k.type.equals(type)).findFirst();
    }
}
