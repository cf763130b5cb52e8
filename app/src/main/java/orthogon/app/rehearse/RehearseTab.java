package orthogon.app.rehearse;

import orthogon.app.frame.SheetTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class RehearseTab {

    @Bean
    SheetTab rehearseSheet() {
        return SheetTab.of(6, "rehearse", "Rehearse",
                "Rehearse is the questionnaire as respondents meet it, with the reasons beside it. Nothing is kept as "
                        + "a response. Save a walk as a drill to repeat it later.");
    }
}
