package orthogon.app.rehearse;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import orthogon.app.answer.PageRecords;
import orthogon.app.questions.FoundRecords;
import orthogon.app.questions.OrdinaryAnswers;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.PageSubmission;
import orthogon.app.questions.PostedPage;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.records.Registers;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.multipart.MultipartHttpServletRequest;

/** Answers pages of a rehearsal, of one interview or of a case. Files are not kept, and records are taken but not added. */
@Component
class RehearsedPages {

    private static final String NOTHING_ADDED = "Here respondents open the other questionnaire and add a record. A rehearsal adds none.";

    private final OrdinaryAnswers ordinary;
    private final Registers registers;

    RehearsedPages(Registers registers) {
        this.registers = registers;
        this.ordinary = new OrdinaryAnswers(Map.of(), Map.of()).among(registers::some);
    }

    /** The records that lookups may take in a rehearsal of the questionnaire with this code. */
    PageRecords records(String code) {
        return registers.of(code);
    }

    /** What was given on a page that is posted. */
    Map<String, Object> given(String code, Interview interview, Course.PageView page, MultiValueMap<String, String> form,
            HttpServletRequest request) {
        return PageForm.answers(page, interview.wiring().document().sourceLanguage(), form,
                request instanceof MultipartHttpServletRequest parts ? parts.getMultiFileMap() : new LinkedMultiValueMap<>(),
                (file, answer) -> new Attachment("rehearsed-" + UUID.randomUUID(), String.valueOf(file.getOriginalFilename()),
                        file.getSize(), String.valueOf(file.getContentType())),
                records(code));
    }

    /** What is on the page now, while it is filled in. */
    PostedPage posted(String code, Interview interview, MultiValueMap<String, String> form) {
        return PostedPage.of(Optional.of(interview), form, records(code));
    }

    /** What is found for a lookup on the page, with what is on the page now. */
    FoundRecords found(String code, Interview interview, MultiValueMap<String, String> form) {
        Interview now = posted(code, interview, form).now();
        String slot = PageForm.sought(form);
        return FoundRecords.of(now, slot, registers.seek(now, slot, PageForm.wordsSought(form, slot)), records(code));
    }

    /** The records on a page that is shown again, with those that were sought by its button. */
    PageRecords found(String code, PageSubmission.Again again, MultiValueMap<String, String> form) {
        String slot = PageForm.sought(form);
        return registers.of(code).seeking(again.interview(), slot, PageForm.wordsSought(form, slot));
    }

    /** What is said above a page that is shown again; empty for nothing. */
    String notice(PageSubmission.Again again, MultiValueMap<String, String> form) {
        if (!PageForm.adding(form).isEmpty()) {
            return NOTHING_ADDED;
        }
        return again.appeared().isEmpty() ? "" : RespondentTexts.of(again.interview()).say("appeared", again.appeared().size());
    }

    /** The interview past its page, with usual answers made up by chance; empty where the page accepts none of them. */
    Optional<Interview> filled(Interview interview, Random random) {
        return ordinary.leave(interview, random);
    }
}
