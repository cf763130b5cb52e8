package orthogon.app.web;

import orthogon.app.store.TestDatabase;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** What several people do at the same moment, kept in PostgreSQL. */
class TogetherOnPostgresqlTest extends TogetherTest {

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry settings) {
        String address = TestDatabase.POSTGRESQL.address();
        settings.add("spring.datasource.url", () -> address);
        settings.add("spring.datasource.username", TestDatabase.POSTGRESQL::user);
    }
}
