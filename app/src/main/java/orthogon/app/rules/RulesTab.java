package orthogon.app.rules;

import orthogon.app.frame.SheetTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class RulesTab {

    @Bean
    SheetTab rulesSheet() {
        return SheetTab
                .of(2, "rules", "Rules",
                        "Rules lists every condition as a sentence, with all that it decides. Change it here once for every "
                                + "row that uses it. Next: say in Dispatch who hears of it.")
                .running("/app/compose.js", "/app/builder.js").emptyWhen(draft -> draft.document().ruleCount() == 0);
    }
}
