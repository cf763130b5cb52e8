package orthogon.app.answer.file;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** Files to send, with those that were sent, each with a box to remove it. */
public final class FileControl implements AnswerControl<FileAnswer> {

    private static final String REMOVE = "remove";
    private static final BigDecimal MOST_MEGABYTES = BigDecimal.valueOf(FileAnswer.LARGEST_BYTES).movePointLeft(6);

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.FILE);
    }

    @Override
    public String inShort(FileAnswer f) {
        return f.most() == 1 ? "one file" : "files ≤ " + f.most();
    }

    @Override
    public List<Setting> settings(FileAnswer f) {
        return List.of(Setting.text("most", "Most files", f.most(), ""),
                Setting.text("largest", "Each at most", f.megabytes().toPlainString(), "In megabytes."),
                Setting.mono("mediaTypes", "Kinds", String.join(" ", f.mediaTypes()),
                        "Media types such as image/* or application/pdf; empty for any."));
    }

    @Override
    public FileAnswer set(FileAnswer now, SettingsForm form) throws Refused {
        BigDecimal megabytes = form.decimal("largest");
        if (megabytes == null || megabytes.signum() <= 0 || megabytes.compareTo(MOST_MEGABYTES) > 0) {
            throw new Refused("The largest file is a number of megabytes, more than 0 and at most 1000.");
        }
        return new FileAnswer(form.whole("most") == null ? 1 : form.whole("most"), Math.max(1, megabytes.movePointRight(6).longValue()),
                form.words("mediaTypes"));
    }

    @Override
    public DrawnControl drawn(FileAnswer f, ShownAnswer shown) {
        return DrawnControl.ofFiles("file", shown.value() instanceof List<?> files
                ? files.stream().filter(Attachment.class::isInstance).map(Attachment.class::cast).toList()
                : List.of());
    }

    /**
     * Files that were there before, without those to be removed or that were refused, and the ones sent now. Where one file is asked for,
     * a new one takes the place of the earlier.
     */
    @Override
    public Object given(FileAnswer f, GivenFields fields) {
        List<Object> all = new ArrayList<>();
        Set<String> removed = new HashSet<>(fields.values(REMOVE));
        if (fields.before() instanceof List<?> before) {
            before.stream().filter(x -> x instanceof Attachment a && !removed.contains(a.key()) && a.fits(f)).forEach(all::add);
        }
        List<Attachment> sent = fields.sent().apply(f);
        if (f.most() == 1 && !sent.isEmpty()) {
            all.clear();
        }
        all.addAll(sent);
        return all.isEmpty() ? null : all;
    }

    @Override
    public String inWords(FileAnswer f, Object value, OwnWords words) {
        return value instanceof List<?> files
                ? files.stream().map(x -> x instanceof Attachment a ? a.name() : x.toString()).collect(Collectors.joining(", "))
                : value.toString();
    }

    @Override
    public String hint(FileAnswer f, LocalDate today, OwnWords words) {
        return words.say("hint.files", f.most(), words.number(f.megabytes()));
    }

    /** Made-up respondents have no pictures to show. */
    @Override
    public Object madeUp(FileAnswer f, MadeUp how) {
        return null;
    }
}
