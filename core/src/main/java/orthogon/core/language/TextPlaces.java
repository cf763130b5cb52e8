package orthogon.core.language;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.place.RuleFamily;
import orthogon.core.place.PlaceText;
import orthogon.core.place.Place;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/** Where respondents meet the texts of a document, in words: the page and what stands there. */
public final class TextPlaces {

    private final Questionnaire document;
    /** Pages by their code and by the codes of what they hold. */
    private final Map<String, Page> pages = new HashMap<>();
    private final Set<String> items = new HashSet<>();

    public TextPlaces(Questionnaire document) {
        this.document = document;
        document.pages().forEach(p -> pages.putIfAbsent(p.code(), p));
        for (Page page : document.pages()) {
            page.allItems().forEach(i -> {
                pages.putIfAbsent(i.code(), page);
                items.add(i.code());
            });
        }
    }

    /** @param unit name of a text, such as {@code kind.toad.label} */
    public String of(String unit) {
        Place.Text text = PlaceText.unit(unit);
        String owner = text.row().isEmpty() ? text.name() : text.row();
        Optional<Page> page = Optional.ofNullable(pages.get(owner));
        if (unit.startsWith(OwnWords.UNIT) && !items.contains(owner)) {
            return "said by Orthogon itself";
        }
        if (page.isEmpty()) {
            Optional<DispatchMessage> message = document.message(owner);
            if (message.isPresent()) {
                return "message “" + message.get().shown() + "”: " + text.name();
            }
            if (document.passage(owner).isPresent()) {
                return "passage " + owner;
            }
            return document.outcome(owner).map(o -> "outcome “" + o.label() + "”").orElse(switch (owner) {
                case "welcome" -> "welcome page";
                case "button" -> "buttons";
                case "message" -> "messages";
                default -> "everywhere";
            });
        }
        String kind = text.isOf(RuleFamily.ACCEPT)
                ? "message when refused"
                : text.isOf(RuleFamily.REWORD) ? "other wording" : text.name().equals("label") ? "option or row" : text.name();
        String title = page.get().title().isEmpty() ? page.get().code() : page.get().title();
        return "page “" + title + "”" + (page.get().code().equals(owner) ? "" : ", " + owner) + ": " + kind;
    }
}
