package orthogon.core.edit;

import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Copies behind the originals, with fresh codes; references inside what is copied point at the copies. Also of a whole page. */
public record Copy(List<String> codes) implements Edit {

    public Copy(String code) {
        this(List.of(code));
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Map<String, String> fresh = fresh(document);
        Optional<Page> page = document.page(codes.getFirst());
        if (page.isPresent()) {
            Page copy = References.renamed(page.get(), fresh, document);
            return WholeDocument.withPages(document, page.get().code(), List.of(copy));
        }
        Questionnaire changed = document;
        for (String code : codes) {
            Item item = document.item(code).orElseThrow(() -> WholeDocument.gone(code));
            boolean withAnother = codes.stream().filter(c -> !c.equals(code)).flatMap(c -> document.item(c).stream())
                    .anyMatch(group -> group.withInner().anyMatch(item::equals));
            if (withAnother) {
                continue;
            }
            Item copy = References.renamed(item, fresh, document);
            changed = changed.withPages(changed.pages().stream().map(p -> p.withItems(withCopy(p.items(), item, copy))).toList());
        }
        return changed;
    }

    /** Old code to fresh code, of everything that is copied. */
    public Map<String, String> fresh(Questionnaire document) throws Refused {
        Set<String> taken = WholeDocument.codes(document);
        Map<String, String> fresh = new LinkedHashMap<>();
        for (String code : codes) {
            List<String> copied = new ArrayList<>();
            Optional<Page> page = document.page(code);
            if (page.isPresent()) {
                copied.add(code);
                page.get().allItems().forEach(i -> copied.add(i.code()));
            } else {
                document.item(code).orElseThrow(() -> WholeDocument.gone(code)).withInner().forEach(i -> copied.add(i.code()));
            }
            for (String each : copied) {
                fresh.computeIfAbsent(each, c -> Codes.fresh(c, f -> taken.contains(f) || fresh.containsValue(f)));
            }
        }
        return fresh;
    }

    private static List<Item> withCopy(List<Item> items, Item original, Item copy) {
        List<Item> changed = new ArrayList<>();
        for (Item item : items) {
            changed.add(item instanceof Group g && !g.equals(original) ? g.withItems(withCopy(g.items(), original, copy)) : item);
            if (item.equals(original)) {
                changed.add(copy);
            }
        }
        return changed;
    }

    @Override
    public String says() {
        return "copied " + String.join(", ", codes);
    }

    @Override
    public Set<String> about() {
        return Set.copyOf(codes);
    }
}
