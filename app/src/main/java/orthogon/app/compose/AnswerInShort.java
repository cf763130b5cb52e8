package orthogon.app.compose;

import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;

/** An answer in the few words of the ledger: {@code one of 4}, {@code 0–120 years}, {@code text ≤ 40}. */
final class AnswerInShort {

    private AnswerInShort() {}

    static String of(Item item) {
        return switch (item) {
            case Note n -> "note";
            case Section s -> "section of " + s.items().size();
            case Roster r -> "roster of " + r.least() + "–" + r.most();
            case Derived d -> "derived";
            case Question q -> of(q.answer()) + (q.requireWhen().isEmpty() ? "" : " *");
        };
    }

    static String of(Answer answer) {
        return switch (answer) {
            case Answer.TextAnswer t -> (t.isLong() ? "long text" : "text")
                    + (t.content() == Answer.Content.ANY ? "" : ", " + t.content().word()) + characters(t)
                    + (t.pattern().isEmpty() ? "" : ", pattern");
            case Answer.Parts p -> (p.isAddress() ? "address" : "name") + " in " + p.parts().size() + " parts";
            case Answer.Contact c -> c.kind() == Answer.Contact.Kind.WEB ? "web address" : c.type();
            case Answer.Numeric n -> number(n);
            case Answer.Scale s -> s.isLikelihood() ? "likelihood 0–10" : "rating 1–" + s.last();
            case Answer.YesNo y -> "yes / no";
            case Answer.Agreement a -> "agreement";
            case Answer.OneChoice c -> "one of " + c.options().size() + switch (c.layout().shown()) {
                case RADIO -> "";
                case DROP_DOWN -> ", list";
                case SEARCH -> ", search";
                case PICTURES -> ", pictures";
            };
            case Answer.ManyChoices c -> "many of " + c.options().size() + (c.most() != null ? ", ≤ " + c.most() : "");
            case Answer.Grid g -> (g.many() ? "many" : "one") + " of " + g.options().size() + " × " + g.rows().size() + " rows";
            case Answer.Ranking r -> "rank " + r.ranked() + " of " + r.options().size();
            case Answer.DateAnswer d when d.earliest() != null && d.latest() != null -> d.earliest() + " … " + d.latest();
            case Answer.DateAnswer d -> "date" + (d.earliest() != null ? " ≥ " + d.earliest() : "")
                    + (d.latest() != null ? " ≤ " + d.latest() : "");
            case Answer.TimeAnswer t -> "time" + (t.earliest() != null ? " ≥ " + t.earliest() : "")
                    + (t.latest() != null ? " ≤ " + t.latest() : "");
            case Answer.FileAnswer f -> f.most() == 1 ? "one file" : "files ≤ " + f.most();
            case Answer.IsoCode c -> c.type() + (c.offered().isEmpty() ? "" : " of " + c.offered().size());
            case Answer.Lookup l -> "lookup in " + l.questionnaire();
            case Answer.Signature s -> "signature";
            case Answer.Hidden h -> "hidden" + (h.allowed().isEmpty() ? "" : ", one of " + h.allowed().size());
        };
    }

    private static String characters(Answer.TextAnswer t) {
        if (t.least() != null && t.most() != null) {
            return " " + t.least() + ".." + t.most();
        }
        return (t.least() != null ? " ≥ " + t.least() : "") + (t.most() != null ? " ≤ " + t.most() : "");
    }

    private static String number(Answer.Numeric n) {
        String unit = n.unit().isEmpty() ? "" : " " + n.unit();
        if (n.least() != null && n.most() != null) {
            return n.least().toPlainString() + "–" + n.most().toPlainString() + unit;
        }
        return "number" + (n.least() != null ? " ≥ " + n.least().toPlainString() : "")
                + (n.most() != null ? " ≤ " + n.most().toPlainString() : "") + unit;
    }
}
