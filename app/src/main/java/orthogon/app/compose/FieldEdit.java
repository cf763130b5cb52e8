package orthogon.app.compose;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.editing.Editing;
import orthogon.core.edit.ChangeEnding;
import orthogon.core.edit.ChangeItem;
import orthogon.core.edit.ChangePage;
import orthogon.core.edit.ChangePresentation;
import orthogon.core.edit.Edit;
import orthogon.core.edit.Retitle;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.springframework.util.MultiValueMap;

/**
 * Some groups of the inspector's fields as they were sent, the others as the newest revision has them.
 *
 * @param at the row
 * @param groups that were sent
 * @param fields the fields of the form as they were sent, those of other groups among them or not
 */
record FieldEdit(String at, Set<String> groups, MultiValueMap<String, String> fields) implements Editing.PartialEdit {

    private static final int LONGEST_SHOWN = 2_000;

    @Override
    public Edit on(Questionnaire newest) throws Refused {
        Forms forms = new Forms(Fields.merged(Fields.of(newest, at), fields, groups));
        if (at.equals(Edit.ENDING)) {
            return new ChangeEnding(forms.outcomes(), forms.table(), forms.claims());
        }
        if (at.equals(Edit.PRESENTATION)) {
            String title = forms.text("title");
            return title.equals(newest.title())
                    ? new ChangePresentation(forms.presentation(), forms.linkParameters())
                    : new Retitle(title);
        }
        if (newest.page(at).isPresent()) {
            Page page = newest.page(at).get();
            return new ChangePage(forms.page(page), "the texts or rules");
        }
        Item item = newest.item(at).orElseThrow(() -> new Refused("There is no " + at + " any more."));
        Item changed = forms.item(item);
        return new ChangeItem(changed, Forms.difference(item, changed));
    }

    @Override
    public Object part(Questionnaire document) {
        MultiValueMap<String, String> fields = Fields.of(document, at);
        return fields.isEmpty() ? null : Fields.only(fields, groups);
    }

    @Override
    public String words() {
        return groups.stream().map(FieldEdit::words).sorted().collect(Collectors.joining(" and ")) + " of " + at;
    }

    private static String words(String group) {
        return "the " + group.replaceAll("([A-Z])", " $1").toLowerCase(java.util.Locale.ROOT);
    }

    @Override
    public String text(Questionnaire document) {
        return shown(Fields.of(document, at));
    }

    @Override
    public String sent() {
        return shown(fields);
    }

    private String shown(MultiValueMap<String, String> all) {
        List<String> values = Fields.only(all, groups).values().stream().flatMap(List::stream).filter(v -> v != null && !v.isBlank())
                .toList();
        String text = String.join(" · ", values);
        return text.length() > LONGEST_SHOWN ? text.substring(0, LONGEST_SHOWN) + "…" : text;
    }
}
