package orthogon.core.edit;

import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Set;
import java.util.stream.Stream;

/** Another limit of what a route may ask of a respondent. */
public record ChangeBurden(Burden burden) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (Stream.of(burden.questions(), burden.words(), burden.minutes()).anyMatch(n -> n != null && n < 1)) {
            throw new Refused("A limit is a whole number of at least 1; leave the field empty for none.");
        }
        return document.withBurden(burden);
    }

    @Override
    public String says() {
        return burden.equals(Burden.ANY) ? "removed the limit of burden" : "limited what a route may ask";
    }

    @Override
    public Set<String> about() {
        return Set.of(BURDEN);
    }
}
