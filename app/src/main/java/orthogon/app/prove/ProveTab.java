package orthogon.app.prove;

import orthogon.app.frame.SheetTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class ProveTab {

    @Bean
    SheetTab proveSheet() {
        return SheetTab
                .of(5, "prove", "Prove", "Prove checks every answer path. Start with the first refuted claim at the left; each one shows a "
                        + "respondent and leads to the row to fix. Next: Release.")
                .running("/app/builder.js", "/app/prove.js");
    }
}
