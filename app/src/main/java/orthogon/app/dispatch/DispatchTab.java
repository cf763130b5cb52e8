package orthogon.app.dispatch;

import orthogon.app.frame.SheetTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class DispatchTab {

    @Bean
    SheetTab dispatchSheet() {
        return SheetTab.of(3, "dispatch", "Dispatch",
                "Dispatch holds what comes of an interview once it is sent: messages, shown as they arrive, and follow-ups, which open other "
                        + "questionnaires. Next: see on the Map what leads where.")
                .running("/app/builder.js").emptyWhen(draft -> draft.document().dispatch().isEmpty());
    }
}
