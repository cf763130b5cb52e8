package orthogon.app.background;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import orthogon.app.demo.DemoPeople;
import orthogon.app.store.DraftStore;
import org.h2.store.fs.FilePath;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;

/** The disk is full for a while: nothing that was confirmed is lost, health says so, and all goes on once there is room. */
@SpringBootTest(properties = "orthogon.demo=false")
@AutoConfigureMockMvc
@DirtiesContext
class FullDiskTest {

    @TempDir
    static Path folder;

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople people;
    @Autowired
    private DraftStore drafts;
    @Autowired
    private DatabaseWatch watch;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry settings) {
        FilePath.register(new CrampedDisk());
        settings.add("orthogon.data", folder::toString);
        settings.add("spring.datasource.url", () -> "jdbc:h2:cramped:" + folder.resolve("orthogon") + ";WRITE_DELAY=0");
    }

    @AfterEach
    void makeRoom() {
        CrampedDisk.full = false;
    }

    /** Begins a questionnaire; the status of the answer. */
    private int begin(String title) throws Exception {
        return web.perform(post("/new").param("title", title).with(user("ines")).with(csrf())).andReturn().getResponse().getStatus();
    }

    private void isReady(boolean ready) throws Exception {
        web.perform(get("/health/readiness")).andExpect(status().is(ready ? 200 : 503));
    }

    @Test
    void nothingIsLostAndServiceResumes() throws Exception {
        people.come();
        List<String> kept = new ArrayList<>();
        for (int round = 0; round < 3; round++) {
            assertEquals(302, begin("Kept " + round));
            kept.add("kept_" + round);
            isReady(true);

            CrampedDisk.full = true;
            assertEquals(507, begin("Lost " + round));
            assertEquals(507, begin("Lost as well " + round));
            isReady(false);
            web.perform(get("/health/liveness")).andExpect(status().isOk());
            watch.look();
            isReady(false);

            CrampedDisk.full = false;
            for (int tries = 0; tries < 3; tries++) {
                watch.look();
            }
            isReady(true);
            assertEquals(kept, drafts.all().stream().map(DraftStore.Draft::code).sorted().toList());
        }
    }
}
