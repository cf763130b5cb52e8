package orthogon.app.work;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The clock that acts are dated by. */
@Configuration
class SystemClock {

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
