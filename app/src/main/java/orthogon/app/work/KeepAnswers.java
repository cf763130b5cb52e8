package orthogon.app.work;

import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.app.store.AttachmentStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Page;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what a respondent gave: the answers, and the files that they name and no others. */
@Component
public class KeepAnswers {

    private final InterviewStore interviews;
    private final AttachmentStore attachments;

    KeepAnswers(InterviewStore interviews, AttachmentStore attachments) {
        this.interviews = interviews;
        this.attachments = attachments;
    }

    /**
     * @param running as it was read
     * @param leftPage code of the page that was left with everything on it accepted
     * @param files that came with the answers, with their content
     * @return false where somebody else kept it since it was read; nothing is kept then
     */
    @Transactional
    public boolean keep(Running running, Interview interview, Optional<String> leftPage, Map<Attachment, byte[]> files) {
        if (!interviews.keep(running, interview, leftPage)) {
            return false;
        }
        Set<String> before = named(running.interview());
        Set<String> now = named(interview);
        files.forEach((file, content) -> {
            if (now.contains(file.key())) {
                attachments.keep(running.id(), file, content);
            }
        });
        if (!now.containsAll(before)) {
            attachments.keepOnly(running.id(), now);
        }
        return true;
    }

    /**
     * Forgets files that were given before a moment on a page that was never left with everything accepted. Returns how many interviews
     * held such files.
     */
    public int forgetRefused(OffsetDateTime before) {
        int forgotten = 0;
        for (String id : attachments.unfinished(before)) {
            Running running = interviews.find(id).orElseThrow();
            Set<String> old = new LinkedHashSet<>(attachments.before(id, before));
            Map<String, Object> answers = new LinkedHashMap<>();
            running.interview().raw().forEach((slot, value) -> {
                boolean passed = running.release().document().pageOf(Slots.code(slot)).map(Page::code)
                        .filter(running.interview().passed()::contains).isPresent();
                if (!passed && value instanceof List<?> all && all.stream().anyMatch(f -> isOneOf(f, old))) {
                    List<?> left = all.stream().filter(f -> !isOneOf(f, old)).toList();
                    answers.put(slot, left.isEmpty() ? null : left);
                }
            });
            if (!answers.isEmpty() && keep(running, running.interview().keep(answers), Optional.empty(), Map.of())) {
                forgotten++;
            }
        }
        return forgotten;
    }

    private static boolean isOneOf(Object value, Set<String> keys) {
        return value instanceof Attachment file && keys.contains(file.key());
    }

    /** The keys of the files that the answers of an interview name. */
    private static Set<String> named(Interview interview) {
        Set<String> keys = new LinkedHashSet<>();
        interview.raw().values().forEach(value -> {
            if (value instanceof List<?> all) {
                all.stream().filter(Attachment.class::isInstance).forEach(file -> keys.add(((Attachment) file).key()));
            }
        });
        return keys;
    }
}
