package orthogon.app.responses;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;

/** What the table of responses can show: what is known about a response, what came with the link, and what was answered or derived. */
record ResponseColumns(List<ResponseColumn> all) {

    /** How many questions are shown where nobody chose columns. */
    private static final int USUAL_QUESTIONS = 5;
    private static final String ABOUT = "about the response";
    private static final String LINK = "from the link";

    /**
     * One column.
     *
     * @param code in conditions
     * @param wording for people
     * @param group the page that it stands on, or what it is about
     * @param fact empty for answers
     * @param hidden whether its answers are personal and not for this reader
     */
    record ResponseColumn(String code, String wording, String group, Optional<ResponseFact> fact, boolean hidden) {}

    static ResponseColumns of(ResponseDocument over, Questionnaire document, Set<String> hidden) {
        List<ResponseColumn> columns = new ArrayList<>();
        List.of(ResponseFact.SENT, ResponseFact.STATE, ResponseFact.IN_CHARGE, ResponseFact.OUTCOME, ResponseFact.LANGUAGE,
                ResponseFact.RELEASE).stream()
                .filter(over.codes()::containsKey)
                .forEach(f -> columns.add(new ResponseColumn(over.codes().get(f), f.words(), ABOUT, Optional.of(f), false)));
        document.linkParameters().forEach(p -> columns.add(new ResponseColumn(p.code(), p.code(), LINK, Optional.empty(), false)));
        for (Page page : document.pages()) {
            page.items().forEach(item -> add(item, page.title(), hidden, columns));
        }
        return new ResponseColumns(List.copyOf(columns));
    }

    private static void add(Item item, String page, Set<String> hidden, List<ResponseColumn> into) {
        switch (item) {
            case Question q -> into.add(new ResponseColumn(q.code(), q.wording(), page, Optional.empty(), hidden.contains(q.code())));
            case Derived d ->
                into.add(new ResponseColumn(d.code(), "derived value " + d.code(), page, Optional.empty(), hidden.contains(d.code())));
            case Roster r -> into.add(new ResponseColumn(r.code(), r.wording(), page, Optional.empty(), false));
            case Section s -> s.items().forEach(i -> add(i, page, hidden, into));
            case Group g -> {}
            case Note n -> {}
        }
    }

    /** The columns of these codes, in their order; unknown ones are left out. */
    List<ResponseColumn> of(List<String> codes) {
        return codes.stream().flatMap(code -> find(code).stream()).toList();
    }

    Optional<ResponseColumn> find(String code) {
        return all.stream().filter(c -> c.code().equals(code)).findFirst();
    }

    /** What is shown where nobody chose. */
    List<String> usual() {
        List<String> codes = new ArrayList<>();
        all.stream().filter(c -> c.fact().filter(f -> f != ResponseFact.LANGUAGE && f != ResponseFact.RELEASE).isPresent())
                .map(ResponseColumn::code)
                .forEach(codes::add);
        all.stream().filter(c -> c.fact().isEmpty() && !c.group().equals(LINK)).limit(USUAL_QUESTIONS).map(ResponseColumn::code)
                .forEach(codes::add);
        return codes;
    }

    /** Every column by its group, in order. */
    Map<String, List<ResponseColumn>> grouped() {
        Map<String, List<ResponseColumn>> groups = new LinkedHashMap<>();
        all.forEach(c -> groups.computeIfAbsent(c.group(), g -> new ArrayList<>()).add(c));
        return groups;
    }
}
