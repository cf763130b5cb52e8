package orthogon.core.proof.claim;

import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.composed.CaseWitness.FollowedUp;
import orthogon.core.proof.message.Message;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Why the verdict on a claim is what it is, as data. */
public sealed interface Finding {

    /** What is the case. */
    Message says();

    /** What to do, or more of why; empty where there is nothing to add. */
    default Optional<Message> advice() {
        return Optional.empty();
    }

    /** The fewest conditions that make it so; empty where none were looked for. */
    default Optional<ConflictCore> conflict() {
        return Optional.empty();
    }

    /** Question or link parameter to value of somebody who shows it, replayed through the interview; an empty map leaves all blank. */
    default Optional<Map<String, Object>> witness() {
        return Optional.empty();
    }

    /** A second respondent, where it takes two to show it. */
    default Optional<Map<String, Object>> other() {
        return Optional.empty();
    }

    /** What becomes of the follow-ups of the witness, where it takes a case to show it. */
    default List<FollowedUp> followed() {
        return List.of();
    }

    /** The one standard fix, where there is one. */
    default Optional<Mend> mend() {
        return Optional.empty();
    }

    /** Places of the fewest conditions that make it so, in document order. */
    default List<String> core() {
        return conflict().map(ConflictCore::places).orElse(List.of());
    }

    /** Something that is so. */
    record Fact(Message says, Optional<Message> advice, Optional<Mend> mend) implements Finding {

        Fact(Message says) {
            this(says, Optional.empty(), Optional.empty());
        }
    }

    /** Nobody does it, because conditions exclude each other. */
    record Conflict(Message says, ConflictCore because) implements Finding {

        @Override
        public Optional<ConflictCore> conflict() {
            return Optional.of(because);
        }
    }

    /** Somebody shows it. */
    record Respondent(Message says, Optional<Message> advice, Optional<ConflictCore> conflict, Map<String, Object> answers,
            Optional<Mend> mend) implements Finding {

        Respondent(Message says, Map<String, Object> answers) {
            this(says, Optional.empty(), Optional.empty(), answers, Optional.empty());
        }

        Respondent(Message says, Message advice, Map<String, Object> answers, Optional<Mend> mend) {
            this(says, Optional.of(advice), Optional.empty(), answers, mend);
        }

        @Override
        public Optional<Map<String, Object>> witness() {
            return Optional.of(answers);
        }
    }

    /** Two respondents show it together. */
    record Pair(Message says, Optional<Message> advice, Map<String, Object> one, Map<String, Object> two,
            Optional<Mend> mend) implements Finding {

        @Override
        public Optional<Map<String, Object>> witness() {
            return Optional.of(one);
        }

        @Override
        public Optional<Map<String, Object>> other() {
            return Optional.of(two);
        }
    }

    /** Everybody in a case together shows it; {@link #witness()} is the respondent of the first questionnaire. */
    record Case(Message says, Optional<Message> advice, Optional<ConflictCore> conflict, CaseWitness walked) implements Finding {

        @Override
        public Optional<Map<String, Object>> witness() {
            return Optional.of(walked.answers());
        }

        @Override
        public List<FollowedUp> followed() {
            return walked.followed();
        }
    }

    /** It is so because another claim does not hold. */
    record Consequence(Message fact, ClaimId cause) implements Finding {

        @Override
        public Message says() {
            return Message.of("follows").inner("fact", fact).text("cause", cause.text());
        }
    }

    /** Whether nothing is told but that it is so. */
    private static boolean isBare(Finding finding) {
        return finding.advice().isEmpty() && finding.conflict().isEmpty() && finding.witness().isEmpty();
    }

    /** The same saying something else is the case. */
    default Finding saying(Message other) {
        return switch (this) {
            case Fact f -> new Fact(f.says().key().equals("disagreement") ? f.says() : other, f.advice(), f.mend());
            case Conflict c -> new Conflict(other, c.because());
            case Respondent r -> new Respondent(other, r.advice(), r.conflict(), r.answers(), r.mend());
            case Pair p -> new Pair(other, p.advice(), p.one(), p.two(), p.mend());
            case Case c -> new Case(other, c.advice(), c.conflict(), c.walked());
            case Consequence c -> new Consequence(other, c.cause());
        };
    }

    /** The same with its cause, where it tells nothing but that it is so. */
    default Finding following(ClaimId cause) {
        return isBare(this) ? new Consequence(says(), cause) : this;
    }

    /** A respondent was found whom the interview does not confirm. */
    static Finding disagreement() {
        return new Fact(Message.of("disagreement"));
    }
}
