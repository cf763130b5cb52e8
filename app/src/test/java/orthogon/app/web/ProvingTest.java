package orthogon.app.web;

import orthogon.app.demo.DemoPeople;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.Proof;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** A proof that takes long holds up nobody, says how far it is, and can be stopped. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:proving"})
@AutoConfigureMockMvc
class ProvingTest {

    private static final RequestPostProcessor INES = user("ines");
    private static final RequestPostProcessor OSK = user("osk");

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople people;
    @Autowired
    private DraftStore drafts;
    @Autowired
    private Proofs proofs;

    @BeforeEach
    void come() {
        people.come();
    }

    /** Sums of many numbers, compared in two ways: more than a minute's work. */
    private static Questionnaire hard(String code) {
        List<Item> numbers = IntStream.range(0, 14).<Item>mapToObj(i -> Question
                .of("n" + i, "How many of kind " + i + "?", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(60), 0, ""))
                .withRequireWhen("true")).toList();
        String sum = IntStream.range(0, 14).mapToObj(i -> "n" + i).collect(Collectors.joining(" + "));
        String weighed = IntStream.range(0, 14).mapToObj(i -> i + 2 + " * n" + i).collect(Collectors.joining(" + "));
        return Questionnaire.blank(code, "Many counts").withPages(List.of(Page.empty("a", "Counts").withItems(numbers),
                Page.empty("b", "More").withOpenWhen(sum + " > 300").withItems(List.of(
                        Question.of("x", "Well?", new YesNoAnswer()).withAskWhen(weighed + " > 2000")))));
    }

    private void opens(String path, int status, String words) throws Exception {
        web.perform(get(path).with(INES)).andExpect(status().is(status)).andExpect(content().string(containsString(words)));
    }

    @Test
    void sheetsOpenWhileALongProofIsUnderWay() throws Exception {
        DraftStore.Draft hard = drafts.create(hard("many_counts"), "ines", "began");
        DraftStore.Draft small = drafts.create(Questionnaire.blank("few_counts", "Few counts"), "ines", "began");
        for (String sheet : List.of("prove", "map", "release")) {
            opens("/q/many_counts/" + sheet, 202, "Revision 1 is being proved");
        }
        opens("/q/many_counts/compose", 200, "How many of kind 3?");
        opens("/q/many_counts/rehearse", 200, "How many of kind 3?");
        opens("/q/few_counts/prove", 200, "answer paths");
        web.perform(get("/q/many_counts/proving").with(INES)).andExpect(content().string(containsString("so far")));
        web.perform(post("/q/many_counts/proving/stop").with(OSK).with(csrf()).param("revision", "1")).andExpect(status().isForbidden());
        assertTrue(proofs.ready(hard).isEmpty(), "it goes on");
        web.perform(post("/q/many_counts/proving/stop").with(INES).with(csrf()).param("revision", "1"))
                .andExpect(status().is3xxRedirection());
        Proof stopped = proofs.of(hard);
        assertTrue(stopped.claims().stream().anyMatch(c -> stopped.words().because(c).contains("was stopped")));
        opens("/q/many_counts/prove", 200, "Prove again");
        opens("/q/many_counts/release", 200, "The gate is shut");
        web.perform(post("/q/many_counts/proving/again").with(INES).with(csrf())).andExpect(status().is3xxRedirection());
        opens("/q/many_counts/prove", 202, "Stop the proof");
        proofs.stop(hard);
        assertTrue(proofs.of(small).claims().size() > 1);
    }
}
