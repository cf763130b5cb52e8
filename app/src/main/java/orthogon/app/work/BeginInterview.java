package orthogon.app.work;

import java.time.OffsetDateTime;
import java.util.Optional;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;

/** Begins an interview: it, and the invitation that it uses up, are kept together, or neither is. */
@Component
public class BeginInterview {

    private final InterviewStore interviews;
    private final InvitationStore invitations;

    public BeginInterview(InterviewStore interviews, InvitationStore invitations) {
        this.interviews = interviews;
        this.invitations = invitations;
    }

    /**
     * @param invitation token of the invitation by which somebody begins
     * @return the interview's id; empty where the invitation was used meanwhile
     */
    @Transactional
    public Optional<String> begin(Release release, Interview interview, Optional<String> invitation) {
        String id = interviews.begin(release, interview, OffsetDateTime.now()).id();
        if (invitation.isPresent() && !invitations.use(invitation.get(), id)) {
            TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
            return Optional.empty();
        }
        return Optional.of(id);
    }
}
