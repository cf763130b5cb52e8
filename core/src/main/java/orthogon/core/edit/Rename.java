package orthogon.core.edit;

import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Map;
import java.util.Set;

/** Another code for an item or page, followed by every reference to it. */
public record Rename(String from, String to) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (!Codes.isValid(to)) {
            throw WholeDocument.badCode(to);
        }
        if (WholeDocument.codes(document).contains(to)) {
            throw WholeDocument.taken(to);
        }
        if (!WholeDocument.codes(document).contains(from)) {
            throw WholeDocument.gone(from);
        }
        if (document.page(from).isPresent() && document.item(from).isPresent()) {
            // Conditions and texts mean the item; the page is told from it by the new code.
            return document.withPages(document.pages().stream()
                    .map(p -> p.withCode(p.code().equals(from) ? to : p.code()).withRules(p.finish(), p.skip().stream()
                            .map(s -> new Page.Skip(s.when(), s.to().equals(from) ? to : s.to())).toList()))
                    .toList());
        }
        return References.renamed(document, Map.of(from, to));
    }

    @Override
    public String says() {
        return "renamed " + from + " to " + to;
    }

    @Override
    public Set<String> about() {
        return Set.of(from);
    }
}
