package orthogon.app.compose;

import orthogon.app.frame.SheetTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class ComposeTab {

    @Bean
    SheetTab composeSheet() {
        return SheetTab
                .of(1, "compose", "Compose", "Compose is where you write pages and questions, and say when each is asked. Next: try it in "
                        + "Rehearse, then read Prove.")
                .running("/webjars/sortablejs/Sortable.min.js", "/app/compose.js", "/app/inspector.js", "/app/builder.js");
    }
}
