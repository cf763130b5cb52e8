package orthogon.app.frame;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigInteger;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.app.account.People;
import orthogon.app.http.NotThere;
import orthogon.app.news.Live;
import orthogon.app.proving.Gates;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.KnownDrafts;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.view.Views;
import orthogon.core.language.Units;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.flow.Figures;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Fills the head and the foot of a sheet. */
@Component
public class Frame {

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM, HH:mm", java.util.Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", java.util.Locale.ENGLISH);

    /** The cells of the title block; figures are empty while the proof runs. */
    public record TitleBlock(String code, String title, int revision, String when, String author, int pages, long questions, int rules,
            boolean proving, String part, boolean counting, long proved, long refuted, long undecided, long advice, String answerPaths,
            String routes, String notCounted,
            String languages, String release, String nextClaim, String nextWords) {}

    /**
     * What stands around a sheet.
     *
     * @param isEmpty whether the sheet has nothing to show yet
     * @param sheetTab its own tab; null where it has none
     * @param sheet its name
     */
    record FrameView(boolean isEmpty, SheetTab sheetTab, List<SheetTab> tabs, String sheet, String code, TitleBlock block) {}

    private static final int KEPT = 100;

    /** How complete the languages of a revision are, worked out once. */
    private final Cache<String, String> completeness = Caffeine.newBuilder().maximumSize(KEPT).build();
    private final People people;
    private final KnownDrafts drafts;
    private final KnownReleases releases;
    private final Proofs proofs;
    private final Live live;
    private final Gates gates;
    private final List<SheetTab> tabs;

    public Frame(KnownDrafts drafts, KnownReleases releases, Proofs proofs, Live live, Gates gates, People people,
            List<SheetTab> tabs) {
        this.people = people;
        this.tabs = tabs.stream().sorted(Comparator.comparing(SheetTab::key)).toList();
        this.gates = gates;
        this.live = live;
        this.drafts = drafts;
        this.releases = releases;
        this.proofs = proofs;
    }

    /** @throws NotThere where there is no questionnaire with that code */
    public Draft draft(String code) {
        return drafts.head(code).orElseThrow(() -> new NotThere("There is no questionnaire " + code + "."));
    }

    /** The sheet of that name; empty where there is none. */
    Optional<SheetTab> tab(String name) {
        return tabs.stream().filter(t -> t.name().equals(name)).findFirst();
    }

    public void fill(Model model, Draft draft, String sheet) {
        Optional<SheetTab> tab = tab(sheet);
        Views.show(model, new FrameView(tab.filter(t -> t.isEmpty().test(draft)).isPresent(), tab.orElse(null), tabs, sheet, draft.code(),
                block(draft)));
    }

    public TitleBlock block(Draft draft) {
        Optional<Proof> proof = proofs.ready(draft);
        Optional<Figures> figures = proof.flatMap(Proof::counted);
        if (proof.isPresent() && figures.isEmpty()) {
            live.counting(draft);
        }
        Optional<Claim> next = proof.flatMap(p -> gates.of(draft, p).inTheWay().stream().filter(c -> c.follows().isEmpty()).findFirst());
        List<ReleaseStore.Release> all = releases.of(draft.id());
        String release = all.isEmpty() ? "none yet" : all.getFirst().number() + ", " + DAY.format(all.getFirst().at());
        return new TitleBlock(draft.code(), draft.document().title(), draft.revision(), WHEN.format(draft.at().toLocalDateTime()),
                people.shown(draft.author()), draft.document().pages().size(), draft.document().questions().count(),
                draft.document().ruleCount(), proof.isEmpty(), proofs.part(draft), figures.isEmpty(),
                proof.map(p -> p.count(Verdict.PROVED)).orElse(0L),
                proof.map(p -> p.count(Verdict.REFUTED)).orElse(0L), proof.map(p -> p.count(Verdict.UNDECIDED)).orElse(0L),
                proof.map(Proof::advice).orElse(0L),
                figures.flatMap(Figures::answerPaths).map(Frame::grouped).orElse(""),
                figures.flatMap(Figures::routes).map(Frame::grouped).orElse(""),
                figures.flatMap(Figures::notCounted).map(why -> proof.orElseThrow().words().said(why)).orElse(""), languages(draft),
                release,
                next.map(Claim::id).orElse(""), next.map(c -> proof.orElseThrow().words().statement(c)).orElse(""));
    }

    /** Every language with how much of it is fit to go out. */
    private String languages(Draft draft) {
        return completeness.get(draft.id() + "/" + draft.revision(), k -> languages(draft.document()));
    }

    private static String languages(Questionnaire document) {
        return document.languages().stream().map(l -> {
            if (l.equals(document.sourceLanguage())) {
                return l;
            }
            List<Units.Unit> units = Units.in(document, l);
            long fit = units.stream().filter(Units.Unit::isFit).count();
            return fit == units.size() ? l : l + " " + 100 * fit / units.size() + " %";
        }).collect(Collectors.joining(", "));
    }

    /** Digits in threes; beyond fifteen digits as a power of ten. */
    public static String grouped(BigInteger number) {
        String digits = number.toString();
        if (digits.length() > 15) {
            String power = String.valueOf(digits.length() - 1).chars().mapToObj(c -> "⁰¹²³⁴⁵⁶⁷⁸⁹".substring(c - '0', c - '0' + 1))
                    .collect(Collectors.joining());
            return digits.charAt(0) + "." + digits.substring(1, 3) + "\u00a0×\u00a010" + power;
        }
        return digits.replaceAll("(?<=\\d)(?=(\\d{3})+$)", "\u202f");
    }

    public static String when(java.time.OffsetDateTime at) {
        return WHEN.format(at.atZoneSameInstant(java.time.ZoneId.systemDefault()));
    }
}
