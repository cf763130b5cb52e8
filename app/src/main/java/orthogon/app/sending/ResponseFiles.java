package orthogon.app.sending;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.app.http.NotThere;
import orthogon.app.outbox.KeptMessage;
import orthogon.app.outbox.MailFiles;
import orthogon.app.outbox.Outbox.Mail.MailAttachment;
import orthogon.app.questions.ResponsePaper;
import orthogon.app.store.AttachmentStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Component;

/** The files of messages that interviews send, made anew each time they are needed: a response that was sent stays as it is. */
@Component
class ResponseFiles implements MailFiles {

    private static final String PDF = "application/pdf";

    private final InterviewStore interviews;
    private final AttachmentStore attachments;

    ResponseFiles(InterviewStore interviews, AttachmentStore attachments) {
        this.interviews = interviews;
        this.attachments = attachments;
    }

    @Override
    public List<MailFile> of(KeptMessage message) {
        Set<MailAttachment> wanted = message.mail().attached();
        Optional<Running> running = wanted.isEmpty()
                ? Optional.empty()
                : interviews.find(message.mail().interview()).filter(r -> r.receipt().isPresent());
        List<MailFile> files = new ArrayList<>();
        running.ifPresent(sent -> {
            if (wanted.contains(MailAttachment.RESPONSE)) {
                files.add(paper(sent, message.mail().language()));
            }
            if (wanted.contains(MailAttachment.FILES)) {
                sent.interview().course().effective().values().stream().flatMap(Attachment::within)
                        .forEach(file -> files.add(new MailFile(file.name(), file.mediaType(),
                                () -> attachments.content(file.key()).orElseThrow(() -> new NotThere("This file is gone.")))));
            }
        });
        return files;
    }

    private static MailFile paper(Running sent, String language) {
        Interview interview = sent.interview().with(sent.release().wiring(language));
        String receipt = sent.receipt().orElseThrow();
        return new MailFile(receipt + ".pdf", PDF, () -> ResponsePaper.pdf(interview, receipt, sent.updatedAt(), Set.of()));
    }
}
