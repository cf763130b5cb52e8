package orthogon.app.web;

import static org.hamcrest.Matchers.anyOf;
import static org.hamcrest.Matchers.is;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import orthogon.app.demo.DemoPeople;
import orthogon.app.proving.DrillSets;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore;
import orthogon.core.proof.Bombs;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentWriter;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** A questionnaire that cannot be proved within any limits can be opened, looked at, stopped, archived and removed like any other. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:bombs", "orthogon.proof-seconds=2",
        "orthogon.proof-megabytes=20"})
@AutoConfigureMockMvc
class BombDraftsTest {

    private static final RequestPostProcessor INES = user("ines");

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople people;
    @Autowired
    private DraftStore drafts;
    @Autowired
    private Proofs proofs;
    @Autowired
    private DrillSets drills;

    static Stream<String> bombs() {
        return Stream.of("twenty thousand questions in a row", "a thousand options twice", "lengths of texts in a sum");
    }

    @BeforeEach
    void come() {
        people.come();
    }

    @ParameterizedTest
    @MethodSource("bombs")
    void isOpenedLookedAtAndRemoved(String name) throws Exception {
        Questionnaire document = Bombs.all().get(name).withCode("bomb");
        web.perform(multipart("/open").file(new MockMultipartFile("file", "bomb.orthogon.json", "application/json",
                DocumentWriter.write(document).getBytes(StandardCharsets.UTF_8))).with(INES).with(csrf()))
                .andExpect(status().is3xxRedirection());
        for (int tries = 0; tries < 1_200 && !drafts.exists("bomb"); tries++) {
            Thread.sleep(100);
        }
        assertEquals(document.items().count(), drafts.head("bomb").orElseThrow().document().items().count());
        for (String path : List.of("/", "/q/bomb/compose", "/q/bomb/rules", "/q/bomb/rehearse", "/q/bomb/languages",
                "/q/bomb/responses")) {
            web.perform(get(path).with(INES)).andExpect(status().isOk());
        }
        for (String path : List.of("/q/bomb/prove", "/q/bomb/map", "/q/bomb/release")) {
            web.perform(get(path).with(INES)).andExpect(status().is(anyOf(is(200), is(202))));
        }
        web.perform(get("/q/bomb/prove/drills").with(INES)).andExpect(status().isOk());
        DraftStore.Draft draft = drafts.head("bomb").orElseThrow();
        web.perform(post("/q/bomb/prove/drills/stop").with(INES).with(csrf())).andExpect(status().isOk());
        assertTrue(drills.ready(draft).isPresent(), "the drills are there, or stopped");
        web.perform(post("/q/bomb/proving/stop").param("revision", "1").with(INES).with(csrf())).andExpect(status().is3xxRedirection());
        assertFalse(proofs.of(draft).claims().isEmpty());
        web.perform(post("/desk/bomb/archive").param("archived", "true").with(INES).with(csrf())).andExpect(status().is3xxRedirection());
        web.perform(post("/desk/bomb/remove").param("typed", "bomb").with(INES).with(csrf())).andExpect(status().is3xxRedirection());
        assertFalse(drafts.exists("bomb"));
    }
}
