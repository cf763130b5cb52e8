package orthogon.app.map;

import orthogon.app.frame.SheetTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class MapTab {

    @Bean
    SheetTab mapSheet() {
        return SheetTab
                .of(4, "map", "Map", "The Map draws how pages lead to one another and to the outcomes. Choose a box or a line to see what "
                        + "decides it. Next: read Prove.")
                .running("/app/map.js");
    }
}
