package orthogon.app.sending;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.app.http.PublicAddress;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import org.springframework.stereotype.Component;

/** The links of the follow-ups that a respondent is to answer. */
@Component
public class FollowUpLinks {

    /**
     * A link.
     *
     * @param words what to do
     * @param path of the address, without what stands before it
     * @param due until when, in words; empty for no time
     * @param open whether it can be answered now
     */
    public record FollowUpLink(String words, String path, String due, boolean open) {}

    private final FollowUpStore followUps;
    private final KnownReleases releases;
    private final PublicAddress addresses;

    public FollowUpLinks(FollowUpStore followUps, KnownReleases releases, PublicAddress addresses) {
        this.followUps = followUps;
        this.releases = releases;
        this.addresses = addresses;
    }

    /** The path of a follow-up's address. */
    public static String path(String token) {
        return "/to/follow/" + token;
    }

    /** The links that a respondent finds on the closing page, in the language that it is read in. */
    public List<FollowUpLink> ofRespondent(String interviewId, Interview reading) {
        RespondentTexts voice = RespondentTexts.of(reading);
        List<FollowUpLink> links = new ArrayList<>();
        for (KeptFollowUp kept : followUps.of(interviewId)) {
            Optional<FollowUp> followUp = reading.wiring().document().followUp(kept.code()).filter(f -> f.seat().who() == Who.RESPONDENT);
            if (followUp.isPresent() && kept.progress() != FollowUpProgress.WITHDRAWN) {
                links.add(new FollowUpLink(words(followUp.get(), kept.releaseId(), voice), path(kept.token()),
                        kept.dueAt().map(d -> voice.say("follow_due", voice.ownWords().moment(d))).orElse(""), kept.progress().isOpen()));
            }
        }
        return links;
    }

    /**
     * What a link says: the words of the follow-up, or else the title of what it opens.
     *
     * @param releaseId of what it opens
     */
    public String words(FollowUp followUp, long releaseId, RespondentTexts voice) {
        if (!followUp.wording().isEmpty()) {
            return voice.plain(followUp.wording());
        }
        Release opened = releases.get(releaseId);
        String language = opened.languages().contains(voice.language()) ? voice.language() : opened.document().sourceLanguage();
        return opened.wiring(language).document().title();
    }

    /** The links as they stand behind a message; empty where there are none. */
    public String written(Running running, Interview reading) {
        List<FollowUpLink> links = ofRespondent(running.id(), reading);
        String told = links.stream().map(l -> l.words() + (l.due().isEmpty() ? "" : " (" + l.due() + ")") + "\n" + addresses.of(l.path()))
                .collect(Collectors.joining("\n\n"));
        return told.isEmpty() ? "" : RespondentTexts.of(reading).say("follow_next") + "\n\n" + told;
    }

    /** The link of one follow-up as it stands behind a message. */
    public String written(FollowUp followUp, KeptFollowUp kept, Interview reading) {
        RespondentTexts voice = RespondentTexts.of(reading);
        String due = kept.dueAt().map(d -> " (" + voice.say("follow_due", voice.ownWords().moment(d)) + ")").orElse("");
        return words(followUp, kept.releaseId(), voice) + due + "\n" + address(kept.token());
    }

    /** The whole address of a follow-up's link. */
    public String address(String token) {
        return addresses.of(path(token));
    }
}
