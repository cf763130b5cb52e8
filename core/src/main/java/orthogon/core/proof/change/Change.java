package orthogon.core.proof.change;

import java.math.BigInteger;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.language.Texts;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.change.Finder.FoundPair;
import orthogon.core.proof.change.Lockstep.Topic;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.composed.OpeningMessages;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.BitLayout;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;

/**
 * What a later document means otherwise to respondents than an earlier one. A respondent answers what both leave to them the same way; of
 * those whom the earlier one brings to an end, and of those whom it refused and the later one brings to an end, each kind of difference
 * is told with somebody who meets it.
 *
 * @param undecided why the two cannot be compared exactly; empty where they are
 * @param paths how many answer paths, told apart by the answer classes of both documents together, come to an end in the earlier one
 * @param differing how many of them meet any difference
 * @param uncounted why there are no such figures
 * @param differences in document order of the later one, endings first
 * @param wordings texts that both have and that differ, by unit
 * @param limitedOtherwise codes of questions whose answers are limited by other patterns, parts, decimal places or such; the
 *     comparison covers the answers that both take
 * @param dispatchedOtherwise codes of messages and passages that both have and that differ in more than texts and the condition of a
 *     message: in recipients, in what comes with it, in when a passage is put in; and of follow-ups that differ in more than texts and
 *     in who opens them, or that rest on others and are not in both or open otherwise
 */
public record Change(Optional<String> undecided, Optional<BigInteger> paths, Optional<BigInteger> differing, Optional<String> uncounted,
        List<Difference> differences, Map<String, Wording> wordings, List<String> limitedOtherwise, List<String> dispatchedOtherwise) {

    /** A text before and after. */
    public record Wording(String before, String after) {}

    /** One document with what it takes to bring it into a space. */
    private record Version(Wiring written, PlainForm plainForm, List<Fault> faults) {

        static Version of(Questionnaire document, Watch watch) {
            Wiring written = Wiring.of(document, watch::goOn);
            PlainForm plainForm = PlainForm.of(OpeningMessages.asMessages(written, watch::goOn), watch::goOn);
            return new Version(written, plainForm, plainForm.faults(Faults.of(written)));
        }

        Questionnaire document() {
            return plainForm.original().document();
        }

        String said(Message message) {
            return new ClaimWords(plainForm).said(message);
        }

        /** Why its space is not exact, in words. */
        Optional<String> inexact(Space space) {
            return space.whyNotExact().map(why -> said(why.why()));
        }

        Space space(LocalDate asOf, Diagrams diagrams, List<Expr> besides, List<Expr> noted, BitLayout layout) {
            return new Space(plainForm, faults, asOf, diagrams, besides, noted, layout);
        }
    }

    /**
     * @param asOf what {@code today()} is, in both
     * @throws java.util.concurrent.CancellationException where the watch calls it off
     */
    public static Change between(Questionnaire before, Questionnaire after, LocalDate asOf, Limits limits, Watch watch) {
        Version earlier = Version.of(before, watch);
        Version later = Version.of(after, watch);
        Map<String, Wording> wordings = wordings(before, after);
        Optional<String> unsound = unsound(earlier, "earlier").or(() -> unsound(later, "later"));
        if (unsound.isPresent()) {
            return undecided(unsound.get(), wordings);
        }
        try {
            watch.reached("who is affected");
            return compared(earlier, later, asOf, limits, watch, wordings);
        } catch (Diagrams.BudgetSpent e) {
            return undecided(later.said(e.why()), wordings);
        }
    }

    private static Change undecided(String why, Map<String, Wording> wordings) {
        return new Change(Optional.of(why), Optional.empty(), Optional.empty(), Optional.empty(), List.of(), wordings, List.of(),
                List.of());
    }

    private static Optional<String> unsound(Version version, String which) {
        if (version.document().pages().isEmpty()) {
            return Optional.of("the " + which + " revision has no pages");
        }
        return version.faults().stream().findFirst()
                .map(f -> "the " + which + " revision has a fault: " + f.kind().claim() + " " + version.plainForm().origin(f.place()))
                .or(() -> version.plainForm().unclear().values().stream().findFirst().map(version::said));
    }

    private static Map<String, Wording> wordings(Questionnaire before, Questionnaire after) {
        Map<String, String> now = Texts.all(after);
        Map<String, Wording> changed = new LinkedHashMap<>();
        Texts.all(before).forEach((unit, text) -> {
            if (now.containsKey(unit) && !now.get(unit).equals(text)) {
                changed.put(unit, new Wording(text, now.get(unit)));
            }
        });
        return changed;
    }

    private static Change compared(Version earlier, Version later, LocalDate asOf, Limits limits, Watch watch,
            Map<String, Wording> wordings) {
        Common common = new Common(earlier.plainForm().plain().document(), later.plainForm().plain().document());
        Diagrams aside = new Diagrams(limits, watch);
        Space alone = earlier.space(asOf, aside, List.of(), List.of(), BitLayout.IN_ORDER);
        Space aloneToo = later.space(asOf, aside, List.of(), List.of(), BitLayout.IN_ORDER);
        List<Expr> told = common.toldApartBy(alone, asOf);
        List<Expr> toldToo = common.toldApartBy(aloneToo, asOf);
        List<Expr> started = common.askedByStartsOf(alone);
        List<Expr> startedToo = common.askedByStartsOf(aloneToo);
        List<BitLayout> layouts = Common.sideBySide(
                earlier.space(asOf, aside, toldToo, startedToo, BitLayout.IN_ORDER).widths(),
                later.space(asOf, aside, told, started, BitLayout.IN_ORDER).widths());
        Diagrams d = new Diagrams(limits, watch);
        Space one = earlier.space(asOf, d, toldToo, startedToo, layouts.get(0));
        Space other = later.space(asOf, d, told, started, layouts.get(1));
        Optional<String> inexact = earlier.inexact(one).or(() -> later.inexact(other));
        if (inexact.isPresent()) {
            return undecided(inexact.get(), wordings);
        }
        Map<Topic, FoundPair> met = new Finder(new Lockstep(common, one, other, List.of(), List.of())).each();
        Map<Topic, FoundPair> metBack = new Finder(new Lockstep(common, other, one, List.of(), List.of())).each();
        metBack.keySet().removeIf(topic -> topic.kind() != DifferenceKind.REFUSED_NOW);
        if (!one.openLevels().isEmpty() || !other.openLevels().isEmpty()) {
            return undecided(earlier.inexact(one).or(() -> later.inexact(other))
                    .orElseGet(() -> later.said(Message.of("open.conditions"))), wordings);
        }
        Optional<Tally> tally = Optional.empty();
        Optional<Tally> tallyBack = Optional.empty();
        Optional<String> uncounted = Optional.empty();
        try {
            watch.reached("counts");
            tally = Optional.of(Tally.of(common, one, other, met.keySet()));
            tallyBack = metBack.isEmpty() ? Optional.empty() : Optional.of(Tally.of(common, other, one, metBack.keySet()));
        } catch (Diagrams.BudgetSpent e) {
            uncounted = Optional.of(later.said(e.why()));
        }
        List<Difference> differences = new ArrayList<>();
        boolean shown = tell(met, tally, common, one, other, false, differences);
        shown &= tell(metBack, tallyBack, common, other, one, true, differences);
        if (!shown) {
            return undecided(DISAGREE, wordings);
        }
        List<String> order = new ArrayList<>();
        order.add(earlier.document().code());
        List.of(later, earlier).forEach(v -> v.document().pages().forEach(p -> {
            order.add(p.code());
            p.allItems().forEach(i -> order.add(i.code()));
        }));
        List.of(later, earlier).forEach(v -> v.document().messages().forEach(m -> order.add(m.code())));
        differences.sort(Comparator.comparingInt((Difference x) -> order.indexOf(x.place())).thenComparing(Difference::kind));
        return new Change(Optional.empty(), tally.map(Tally::all), tally.map(Tally::differing), uncounted, List.copyOf(differences),
                wordings, common.limitedOtherwise(),
                dispatchedOtherwise(earlier.written(), later.written()));
    }

    private static final String DISAGREE = "the comparison found a respondent whom the interview does not confirm. This is a fault of "
            + "Orthogon; please report it";

    /**
     * Adds what was found, as seen from the earlier document.
     *
     * @param one the space of the document whose end they come to
     * @param back whether that is the later one
     * @return whether the interview engine shows all of it
     */
    private static boolean tell(Map<Topic, FoundPair> found, Optional<Tally> tally, Common common, Space one, Space other,
            boolean back, List<Difference> differences) {
        boolean shown = true;
        for (Map.Entry<Topic, FoundPair> e : found.entrySet()) {
            Topic topic = e.getKey();
            Map<String, Object> first = sent(one, e.getValue().first());
            Map<String, Object> second = sent(other, e.getValue().second());
            differences.add(new Difference(back ? DifferenceKind.ACCEPTED_NOW : topic.kind(), topic.place(), topic.from(), topic.to(),
                    tally.map(c -> c.of(topic)), back ? second : first, back ? first : second));
            shown &= isShown(topic, e.getValue(), one, other, common);
        }
        return shown;
    }

    private static Map<String, Object> sent(Space space, Map<String, Object> answers) {
        Map<String, Object> settled = space.plainForm().settled(answers);
        Set<String> asked = interview(space, answers).asked();
        settled.keySet().removeIf(code -> !answers.containsKey(code) && !asked.contains(code));
        return space.plainForm().answers(settled);
    }

    /** Whether the interview engine, which knows nothing of this, shows the difference and the same answers. */
    private static boolean isShown(Topic topic, FoundPair respondent, Space one, Space other, Common common) {
        Course first = interview(one, respondent.first());
        Course second = interview(other, respondent.second());
        if (!first.complete() || !second.complete() && topic.kind() != DifferenceKind.REFUSED_NOW) {
            return false;
        }
        boolean same = first.effective().keySet().stream().filter(second.effective()::containsKey)
                .allMatch(code -> alike(first.effective().get(code), second.effective().get(code)) || isLocked(code, first, second));
        return same && switch (topic.kind()) {
            case ASKED_NO_MORE -> asked(one, first, topic).stream().anyMatch(code -> !common.has(code) || !second.asked().contains(code));
            case ASKED_NOW -> asked(other, second, topic).stream().anyMatch(code -> !common.has(code) || !first.asked().contains(code));
            case ENDS_OTHERWISE -> first.outcome().orElse("").equals(topic.from()) && second.outcome().orElse("").equals(topic.to());
            case SENT_NO_MORE, OPENED_NO_MORE ->
                isSent(one, respondent.first(), topic.place()) && !isSent(other, respondent.second(), topic.place());
            case SENT_NOW, OPENED_NOW ->
                isSent(other, respondent.second(), topic.place()) && !isSent(one, respondent.first(), topic.place());
            case REFUSED_NOW, ACCEPTED_NOW -> {
                boolean held = !second.complete() && second.pages().getLast().page().code().equals(topic.place());
                yield held || isDropped(topic.place(), first, second);
            }
        };
    }

    private static boolean isLocked(String code, Course first, Course second) {
        return Stream.of(first, second).flatMap(c -> c.pages().stream()).flatMap(p -> p.shown().stream())
                .anyMatch(shown -> shown.item().code().equals(code) && shown.locked());
    }

    /** Whether an answer is not among what can be answered: an option that is not there, which the interview takes for blank. */
    private static boolean isDropped(String page, Course first, Course second) {
        return second.pages().stream().filter(p -> p.page().code().equals(page)).flatMap(p -> p.page().questions())
                .anyMatch(q -> second.asked().contains(q.code()) && first.effective().containsKey(q.code())
                        && !second.effective().containsKey(q.code()));
    }

    private static boolean alike(Object value, Object other) {
        return value.getClass() != other.getClass() || value.equals(other)
                || value instanceof java.math.BigDecimal a && a.compareTo((java.math.BigDecimal) other) == 0;
    }

    private static boolean isSent(Space space, Map<String, Object> answers, String message) {
        return space.wiring().sent(message)
                .filter(e -> Boolean.TRUE.equals(Replay.of(space.wiring(), space.today(), answers, "").truth(e))).isPresent();
    }

    private static Course interview(Space space, Map<String, Object> answers) {
        return Replay.of(space.wiring(), space.today(), answers, "").course();
    }

    /** What is asked that the topic is about; of a grid, its rows. */
    private static Set<String> asked(Space space, Course course, Topic topic) {
        return course.asked().stream().filter(code -> !space.plainForm().grids().contains(code))
                .filter(code -> space.plainForm().originalRow(code).equals(topic.place()))
                .collect(Collectors.toSet());
    }

    /** Whether nothing is different for anybody but texts. */
    public boolean isOfTextsOnly() {
        return undecided.isEmpty() && differences.isEmpty() && limitedOtherwise.isEmpty()
                && dispatchedOtherwise.isEmpty();
    }

    private static List<String> dispatchedOtherwise(Wiring one, Wiring other) {
        Questionnaire before = one.document();
        Questionnaire after = other.document();
        List<String> otherwise = new ArrayList<>();
        before.messages().forEach(m -> after.message(m.code())
                .filter(now -> !now.withSendWhen("").withTexts("", "").equals(m.withSendWhen("").withTexts("", "")))
                .ifPresent(now -> otherwise.add(m.code())));
        before.passages().forEach(p -> after.passage(p.code())
                .filter(now -> !now.wordings().stream().map(DispatchPassage.PassageWording::when).toList()
                        .equals(p.wordings().stream().map(DispatchPassage.PassageWording::when).toList()))
                .ifPresent(now -> otherwise.add(p.code())));
        Stream.concat(before.followUps().stream(), after.followUps().stream()).map(FollowUp::code).distinct()
                .filter(code -> isOpeningMessages(one, other, code)).forEach(otherwise::add);
        return List.copyOf(otherwise);
    }

    /** Whether more than who opens a follow-up and its texts differs; or who opens it, where more than answers decides that. */
    private static boolean isOpeningMessages(Wiring one, Wiring other, String code) {
        Optional<FollowUp> before = one.document().followUp(code);
        Optional<FollowUp> after = other.document().followUp(code);
        boolean told = before.filter(f -> !OpeningMessages.isDecidedByAnswers(one, f)).isEmpty()
                && after.filter(f -> !OpeningMessages.isDecidedByAnswers(other, f)).isEmpty();
        return told && (before.isEmpty() || after.isEmpty())
                ? false
                : !before.map(f -> compared(f, told)).equals(after.map(f -> compared(f, told)));
    }

    private static FollowUp compared(FollowUp followUp, boolean told) {
        FollowUp silent = followUp.withTexts((unit, text) -> "");
        return told ? silent.withOpenWhen("") : silent;
    }
}
