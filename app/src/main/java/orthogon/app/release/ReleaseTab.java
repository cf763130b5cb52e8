package orthogon.app.release;

import orthogon.app.frame.SheetTab;
import orthogon.app.store.KnownReleases;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Registers the sheet. */
@Configuration
class ReleaseTab {

    @Bean
    SheetTab releaseSheet(KnownReleases releases) {
        return SheetTab
                .of(8, "release", "Release", "Release publishes a revision once nothing blocks it. Then share its link, its QR code, or "
                        + "invitations.")
                .emptyWhen(draft -> releases.of(draft.id()).isEmpty());
    }
}
