package orthogon.app.responses;

import orthogon.app.account.Act;
import orthogon.app.frame.SheetTab;
import orthogon.app.store.KnownReleases;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class ResponsesTab {

    @Bean
    SheetTab responsesSheet(KnownReleases releases) {
        return SheetTab.of(9, "responses", "Responses",
                "Responses shows what respondents sent: choose columns, conditions and an order, and keep them as a view. It fills once a "
                        + "release is open.")
                .running("/app/builder.js", "/app/responses.js").behind(Act.READ_RESPONSES)
                .emptyWhen(draft -> releases.of(draft.id()).isEmpty());
    }
}
