package orthogon.core.proof.claim;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import orthogon.core.dispatch.OpenedWith;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.Units;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.claim.CaseWalk.CaseStep;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.CasePart;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.CaseNames;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;

/** Leads what is proved of the composed document of a case back to the follow-ups of its first questionnaire. */
public final class CaseClaims {

    private static final Set<ClaimKind> REACHES = Set.of(ClaimKind.REACH_PAGE, ClaimKind.REACH_QUESTION, ClaimKind.REACH_OPTION,
            ClaimKind.REACH_NOTE);

    private final CaseDocument document;
    private final KnownQuestionnaires others;
    private final LocalDate today;
    private final AllClaims composed;
    private final ComposedClaims composedClaims;
    private final Wiring first;

    /** @param composed claims on the composed document, at least those that are {@link #isWanted} */
    public CaseClaims(CaseDocument document, KnownQuestionnaires others, LocalDate today, AllClaims composed) {
        this.document = document;
        this.others = others;
        this.today = today;
        this.composed = composed;
        this.first = document.first().form().asWritten();
        this.composedClaims = new ComposedClaims(document, others, today, composed);
    }

    /** Which claims on the composed document a case rests on. */
    public static AllClaims.WantedClaims isWanted(CaseDocument document) {
        Set<String> endings = Set.copyOf(document.first().document().followUps().stream()
                .map(f -> CaseNames.ending(document.first().opened(f.code()))).toList());
        int own = document.first().form().plain().document().pages().size();
        Set<String> before = Set.copyOf(document.form().original().document().pages().stream().limit(own).map(Page::code).toList());
        boolean tells = !document.form().plain().document().messages().isEmpty();
        return (family, page) -> switch (family) {
            case OWN -> page.isEmpty();
            case DISPATCH -> page.isEmpty() && tells;
            case SENSE -> endings.contains(page) || page.isEmpty() && tells;
            case REACH, PASSAGE -> !page.isEmpty() && !before.contains(page);
            default -> false;
        };
    }

    /** The claims on every follow-up, and own claims that speak of any. */
    public List<Claim> all() {
        List<Claim> claims = new ArrayList<>();
        for (FollowUp followUp : document.first().document().followUps()) {
            claims.add(known(followUp.code()));
            claims.add(opened(followUp));
            claims.addAll(conditions(followUp));
            for (int i = 0; i < followUp.carries().size(); i++) {
                claims.add(fits(followUp, i));
            }
            claims.add(passable(followUp));
            if (followUp.seat().who() == FollowUpSeat.Who.ADDRESS) {
                claims.add(addressed(followUp));
            }
            claims.add(reached(followUp));
            claims.addAll(translated(followUp, claims));
            followUp.brings().stream().filter(b -> isRestedOn(followUp, b)).forEach(b -> claims.add(filled(followUp, b)));
        }
        claims.addAll(new CaseMessageClaims(document, composedClaims).all());
        claims.addAll(own());
        claims.forEach(c -> c.guardedBy(composed.flow()));
        return claims;
    }

    /** Whether a claim is about who is sent a message of a follow-up, which the case alone decides. */
    public static boolean isOfCase(Wiring first, Claim claim) {
        return CaseMessageClaims.isOfCase(first, claim);
    }

    private static Claim known(String code) {
        ClaimKind kind = ClaimKind.FOLLOW_UP_KNOWN;
        return new Claim(kind, code, ofCode(kind, code), Verdict.PROVED, Optional.empty(),
                () -> new Finding.Fact(kind.message("proved")));
    }

    /**
     * The claims of a questionnaire one of whose follow-ups cannot be opened, or whose case is beyond the stated limits.
     *
     * @param faults code of a follow-up to what is wrong with it
     * @param missing code of a follow-up whose questionnaire is not given, to what is said of it
     * @param beyond why nothing is decided where there are no faults and nothing is missing
     */
    public static List<Claim> undecided(Wiring first, Map<String, Message> faults, Map<String, Message> missing, Message beyond) {
        List<Claim> claims = new ArrayList<>();
        Optional<ClaimId> cause = Stream.concat(faults.keySet().stream(), missing.keySet().stream()).findFirst()
                .map(code -> new ClaimId(ClaimKind.FOLLOW_UP_KNOWN, code));
        Finding why = new Finding.Fact(Message.of("undecided.beyond").inner("why", beyond));
        for (FollowUp followUp : first.document().followUps()) {
            String code = followUp.code();
            Message statement = ofCode(ClaimKind.FOLLOW_UP_KNOWN, code);
            Message wrong = faults.getOrDefault(code, missing.get(code));
            claims.add(wrong == null
                    ? known(code)
                    : new Claim(ClaimKind.FOLLOW_UP_KNOWN, code, statement,
                            faults.containsKey(code) ? Verdict.REFUTED : Verdict.UNDECIDED, Optional.empty(),
                            () -> new Finding.Fact(wrong)));
            for (ClaimKind kind : List.of(ClaimKind.FOLLOW_UP_OPENED, ClaimKind.FOLLOW_UP_PASSABLE)) {
                claims.add(cause.map(c -> ClaimDecider.undecided(kind, code, ofCode(kind, code), c))
                        .orElseGet(() -> new Claim(kind, code, ofCode(kind, code), Verdict.UNDECIDED, Optional.empty(), () -> why)));
            }
        }
        claims.addAll(CaseMessageClaims.undecided(first, cause, why));
        ofCase(first).forEach(n -> {
            OwnClaim own = first.document().claims().get(n);
            Message statement = OwnClaims.statement(own, "claims/" + n);
            claims.add(cause.map(c -> ClaimDecider.undecided(ClaimKind.OWN, own.code(), statement, c))
                    .orElseGet(() -> new Claim(ClaimKind.OWN, own.code(), statement, Verdict.UNDECIDED, Optional.empty(), () -> why)));
        });
        return claims;
    }

    private static List<Integer> ofCase(Wiring first) {
        return first.wires().stream().filter(w -> w.family() == RuleFamily.CLAIM && first.isOfCase(w)).map(w -> w.at().number()).toList();
    }

    static Message ofCode(ClaimKind kind, String code) {
        return kind.message("claim").code("code", code);
    }

    private String name(FollowUp followUp) {
        return document.first().opened(followUp.code());
    }

    private CasePart part(FollowUp followUp) {
        return document.parts().get(name(followUp));
    }

    /** What is said of the condition, said at its place in the first questionnaire. */
    private static Finding at(Finding finding, String place) {
        return finding.says().terms().containsKey("place") ? finding.saying(finding.says().code("place", place)) : finding;
    }

    private Claim opened(FollowUp followUp) {
        ClaimKind kind = ClaimKind.FOLLOW_UP_OPENED;
        Claim source = composedClaims.of(ClaimKind.REACH_PAGE, CaseNames.ending(name(followUp)));
        return composedClaims.led(kind, followUp.code(), ofCode(kind, followUp.code()), source, w -> w.step(name(followUp)).isPresent(),
                f -> f.saying(kind.message(source.verdict() == Verdict.PROVED ? "proved" : "refuted")));
    }

    private List<Claim> conditions(FollowUp followUp) {
        String place = followUp.code() + "." + RuleFamily.OPEN_FOLLOW_UP.key();
        String from = CaseNames.ending(name(followUp)) + ".openWhen";
        List<Claim> claims = new ArrayList<>();
        Claim varies = composedClaims.of(ClaimKind.CONDITION_VARIES, from);
        if (varies != null) {
            Message statement = ClaimKind.CONDITION_VARIES.message("claim").code("place", place);
            claims.add(composedClaims.led(ClaimKind.CONDITION_VARIES, place, statement, varies, ComposedClaims::isSent, f -> at(f, place)));
        }
        for (int n = 0; composedClaims.of(ClaimKind.COMPARISON_MATTERS, from + "#" + n) != null; n++) {
            Claim matters = composedClaims.of(ClaimKind.COMPARISON_MATTERS, from + "#" + n);
            Message statement = matters.statement().code("place", place);
            claims.add(composedClaims.led(ClaimKind.COMPARISON_MATTERS, place + "#" + n, statement, matters, ComposedClaims::isSent,
                    f -> at(f, place)));
        }
        return claims;
    }

    private Claim fits(FollowUp followUp, int number) {
        ClaimKind kind = ClaimKind.CARRY_FITS;
        Carried carried = followUp.carries().get(number);
        String place = Place.Rule.at(followUp.code(), RuleFamily.CARRY, number).text();
        Claim source = composedClaims.of(ClaimKind.PAGE_PASSABLE, CaseNames.taking(name(followUp), number));
        Message statement = carrying(kind.message("claim"), followUp, carried);
        return composedClaims.led(kind, place, statement, source,
                w -> w.step(name(followUp)).filter(s -> isRefused(followUp, s, carried)).isPresent(),
                f -> switch (f) {
                    case Finding.Case c -> new Finding.Case(
                            carrying(kind.message("refuted"), followUp, carried).text("value", value(followUp, c.walked(), carried)),
                            Optional.of(carrying(kind.message("advice"), followUp, carried)), Optional.empty(),
                            c.walked().without(name(followUp)));
                    case Finding.Fact fact when source.verdict() == Verdict.PROVED -> new Finding.Fact(kind.message("proved"));
                    default -> f;
                });
    }

    private static Message carrying(Message message, FollowUp followUp, Carried carried) {
        return message.code("code", followUp.code()).text("to", carried.to()).text("questionnaire", followUp.questionnaire());
    }

    private String value(FollowUp followUp, CaseWitness witness, Carried carried) {
        return CaseWalk.of(first, others, today, witness).step(name(followUp)).map(s -> s.due().carried().get(carried.to()))
                .map(String::valueOf).orElse("");
    }

    /** Whether the target of a value takes it, as an interview says. */
    private boolean isRefused(FollowUp followUp, CaseStep step, Carried carried) {
        Object value = step.due().carried().get(carried.to());
        Questionnaire opened = part(followUp).document();
        Optional<Question> question = opened.question(carried.to()).filter(q -> !q.isHidden());
        if (value == null) {
            return false;
        }
        if (question.isEmpty()) {
            return opened.arriving().stream().filter(p -> p.code().equals(carried.to()))
                    .anyMatch(p -> !p.allowed().isEmpty() && !p.allowed().contains(value));
        }
        Question alone = Question.of(carried.to(), "", CaseDocument.whateverIsOnOffer(question.get().answer()));
        Questionnaire only = Questionnaire.blank("only", "Only").withPages(List.of(Page.empty("page", "").withItems(List.of(alone))));
        FollowUp locked = followUp.withCarries(List.of(new Carried(carried.to(), carried.value(), true)));
        Interview interview = Interview.start(Wiring.of(OpenedWith.of(locked, step.due().carried()).in(only)), today, Map.of());
        return !(interview.leave(Map.of()) instanceof Interview.LeaveResult.Passed);
    }

    private Claim passable(FollowUp followUp) {
        ClaimKind kind = ClaimKind.FOLLOW_UP_PASSABLE;
        List<Claim> pages = new ArrayList<>();
        document.parts().values().stream().filter(p -> isIn(p, followUp)).forEach(p -> p.form().plain().document().pages()
                .forEach(page -> pages.add(composedClaims.of(ClaimKind.PAGE_PASSABLE, p.inside(page.code())))));
        Claim source = worst(pages);
        return composedClaims.led(kind, followUp.code(), ofCode(kind, followUp.code()).text("questionnaire", followUp.questionnaire()),
                source,
                w -> !w.isOver(), f -> f instanceof Finding.Fact && source.verdict() == Verdict.PROVED
                        ? new Finding.Fact(kind.message("proved"))
                        : f);
    }

    private boolean isIn(CasePart part, FollowUp followUp) {
        return part.name().equals(name(followUp)) || part.name().startsWith(name(followUp) + "Y");
    }

    private static Claim worst(List<Claim> claims) {
        return claims.stream().filter(c -> c == null || c.verdict() == Verdict.REFUTED).findFirst()
                .or(() -> claims.stream().filter(c -> c.verdict() == Verdict.UNDECIDED).findFirst()).orElseGet(claims::getFirst);
    }

    private Claim addressed(FollowUp followUp) {
        ClaimKind kind = ClaimKind.RECIPIENT_FILLED;
        Claim source = composedClaims.of(ClaimKind.OWN, CaseNames.address(name(followUp)));
        return composedClaims.led(kind, followUp.code(), kind.message("claim.follow-up").code("code", followUp.code()), source,
                w -> w.step(name(followUp)).isPresent() && w.first().course().effective().get(followUp.seat().address()) == null,
                f -> f.saying(kind.message(source.verdict() == Verdict.PROVED ? "proved.follow-up" : "refuted.follow-up")));
    }

    /** What the respondent reads before the link, in every other language. */
    private List<Claim> translated(FollowUp followUp, List<Claim> decided) {
        Questionnaire written = first.document();
        String unit = followUp.code() + ".wording";
        Claim opened = decided.stream().filter(c -> c.id().equals(ClaimKind.FOLLOW_UP_OPENED.id(followUp.code()))).findFirst()
                .orElseThrow();
        List<Claim> claims = new ArrayList<>();
        for (String language : written.languages()) {
            if (language.equals(written.sourceLanguage()) || followUp.wording().isEmpty()) {
                continue;
            }
            Optional<Message> why = Units.in(written, language).stream().filter(u -> u.unit().equals(unit)).findFirst()
                    .flatMap(LanguageClaims::why);
            boolean read = opened.verdict() != Verdict.REFUTED && followUp.seat().who() != FollowUpSeat.Who.PEOPLE;
            ClaimKind kind = ClaimKind.TRANSLATED;
            Message statement = kind.message("claim").code("unit", unit).text("language", language);
            Message says = why.isEmpty()
                    ? kind.message("proved")
                    : read ? kind.message("refuted").text("language", language).inner("why", why.get()) : kind.message("unread");
            Verdict verdict = why.isEmpty() || !read ? Verdict.PROVED : Verdict.REFUTED;
            claims.add(opened.verdict() == Verdict.UNDECIDED && why.isPresent()
                    ? ClaimDecider.undecided(kind, language + "/" + unit, statement, opened.identity())
                    : new Claim(kind, language + "/" + unit, statement, verdict, Optional.empty(), () -> new Finding.Fact(says)));
        }
        return claims;
    }

    private Claim reached(FollowUp followUp) {
        ClaimKind kind = ClaimKind.FOLLOW_UP_REACH;
        CasePart part = part(followUp);
        List<Claim> sources = composed.claims().stream().filter(c -> REACHES.contains(c.kind()) && isOwn(part, c.place())).toList();
        List<String> missed = sources.stream().filter(c -> c.verdict() == Verdict.REFUTED && c.follows().isEmpty())
                .map(c -> part.form().origin(c.place().substring(part.inside("").length()))).distinct().toList();
        Optional<Claim> open = sources.stream().filter(c -> c.verdict() == Verdict.UNDECIDED).findFirst();
        Message statement = ofCode(kind, followUp.code()).text("questionnaire", followUp.questionnaire());
        Verdict verdict = !missed.isEmpty() ? Verdict.REFUTED : open.isPresent() ? Verdict.UNDECIDED : Verdict.PROVED;
        Message says = missed.isEmpty()
                ? kind.message("proved")
                : kind.message("refuted").count("count", missed.size()).text("codes", String.join(", ", missed));
        return new Claim(kind, followUp.code(), statement, verdict, Optional.empty(),
                () -> verdict == Verdict.UNDECIDED ? composedClaims.back(open.get().finding(), w -> true) : new Finding.Fact(says))
                .toldIn(document.form()).advisory();
    }

    /** Whether a place of the composed document is of what the analyst of the part wrote. */
    private static boolean isOwn(CasePart part, String place) {
        return place.startsWith(part.inside("")) && place.substring(part.inside("").length()).chars().noneMatch(c -> c == 'X' || c == 'Y');
    }

    /** Whether anything behind a follow-up hangs on what it brings. */
    private boolean isRestedOn(FollowUp followUp, Brought brought) {
        return first.wires().stream().filter(first::isOfCase).flatMap(w -> w.readable().stream())
                .anyMatch(e -> names(e, followUp.code(), brought.name()));
    }

    private static boolean names(Expr expr, String followUp, String part) {
        return expr instanceof Expr.PartOf p && p.part().equals(part) && p.of() instanceof Expr.Name n && n.name().equals(followUp)
                || expr.children().stream().anyMatch(c -> names(c, followUp, part));
    }

    private Claim filled(FollowUp followUp, Brought brought) {
        ClaimKind kind = ClaimKind.BRINGS_FILLED;
        Claim source = composedClaims.of(ClaimKind.OWN, CaseNames.brought(name(followUp), brought.name()));
        Message statement = kind.message("claim").code("code", followUp.code()).text("name", brought.name());
        return composedClaims.led(kind, followUp.code() + "." + brought.name(), statement, source,
                w -> w.step(name(followUp)).filter(s -> s.opened().progress().isEnd(followUp)
                        && s.opened().brought().get(brought.name()) == null).isPresent(),
                f -> f.saying(kind.message(source.verdict() == Verdict.PROVED ? "proved" : "refuted"))).advisory();
    }

    private List<Claim> own() {
        List<Claim> claims = new ArrayList<>();
        for (int n : ofCase(first)) {
            OwnClaim own = first.document().claims().get(n);
            Claim source = composedClaims.of(ClaimKind.OWN, own.code());
            Optional<Expr> that = first.at("claims/" + n).flatMap(Wiring.Wire::expr);
            boolean always = own.says() == Questionnaire.Says.ALWAYS;
            claims.add(composedClaims.led(ClaimKind.OWN, own.code(),
                    source == null ? OwnClaims.statement(own, "claims/" + n) : source.statement(), source,
                    w -> w.isOver() && that.filter(e -> always != Objects.equals(w.value(e), true)).isPresent(), f -> f));
        }
        return claims;
    }
}
