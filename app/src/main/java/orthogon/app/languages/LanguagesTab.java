package orthogon.app.languages;

import orthogon.app.frame.SheetTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class LanguagesTab {

    @Bean
    SheetTab languagesSheet() {
        return SheetTab
                .of(7, "languages", "Languages",
                        "Languages holds every text that respondents read, beside its translation. Add a language, then work "
                                + "through what is missing. Next: Release.")
                .running("/app/languages.js").emptyWhen(draft -> draft.document().languages().size() == 1);
    }
}
