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
                "Dispatch holds the messages that are sent once an interview is: to whom, when, and what they say. Each is shown as it "
                        + "arrives. Next: see on the Map what leads where.")
                .running("/app/builder.js").emptyWhen(draft -> draft.document().messages().isEmpty());
    }
}
