package orthogon.app.web;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import orthogon.app.demo.DemoPeople;
import orthogon.app.editing.Editing;
import orthogon.app.store.DraftStore;
import orthogon.core.edit.SetConditions;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.RequestBuilder;
import org.springframework.test.web.servlet.ResultMatcher;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** A questionnaire of 3,000 questions is shown in parts, and every part of it can be edited. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:long", "orthogon.proof-seconds=2",
        "orthogon.proof-megabytes=20"})
@AutoConfigureMockMvc
class LongDraftsTest {

    private static final RequestPostProcessor INES = user("ines");
    private static final String COMPOSE = "/q/long_count/compose";

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople people;
    @Autowired
    private DraftStore drafts;
    @Autowired
    private Editing editing;

    private static String page(int number) {
        return "{\"code\":\"p%d\",\"title\":\"Part %d\",\"items\":[%s]}".formatted(number, number,
                IntStream.range(number * 600, (number + 1) * 600)
                        .mapToObj(i -> "{\"question\":\"q%d\",\"wording\":\"Bird %d?\",\"answer\":{\"type\":\"yesNo\"}%s}".formatted(i, i,
                                i == 0 ? "" : ",\"askWhen\":\"q%d = true\"".formatted(i - 1)))
                        .collect(Collectors.joining(",")));
    }

    @BeforeEach
    void begin() throws Exception {
        people.come();
        begin("long_count");
    }

    private void begin(String code) throws Exception {
        if (!drafts.exists(code)) {
            drafts.create(DocumentReader.read("{\"orthogon\":1,\"code\":\"" + code
                    + "\",\"title\":\"Long count\",\"languages\":[\"en\",\"fr\"],\"pages\":["
                    + IntStream.range(0, 5).mapToObj(LongDraftsTest::page).collect(Collectors.joining(",")) + "]}"), "ines", "began");
        }
    }

    private static ResultMatcher has(String text) {
        return content().string(containsString(text));
    }

    private static ResultMatcher lacks(String text) {
        return content().string(not(containsString(text)));
    }

    @Test
    void theLedgerShowsThePartAroundTheChosenRow() throws Exception {
        web.perform(get(COMPOSE).with(INES)).andExpect(status().isOk())
                .andExpect(has("Rows 1 to 1500 of 3007 are shown.")).andExpect(has("row-q1490\"")).andExpect(lacks("row-q1600\""))
                .andExpect(lacks("Earlier rows")).andExpect(has("Later rows"));
        web.perform(get(COMPOSE).param("at", "q2400").with(INES)).andExpect(has("Rows 1501 to 3007 of 3007 are shown."))
                .andExpect(has("counter-reset: question 1496"))
                .andExpect(has("row-q2400\"")).andExpect(lacks("row-q1000\"")).andExpect(has("Earlier rows"))
                .andExpect(lacks("Later rows"));
    }

    @Test
    void anEditIsAnsweredWithWhatChangesInThePartThatThePageShows() throws Exception {
        begin("edited_count");
        String compose = "/q/edited_count/compose";
        web.perform(post(compose + "/copy").param("at", "q2500").param("revision", "1").param("part", "2").with(INES)
                .with(csrf())).andExpect(status().isOk()).andExpect(has("afterend:#row-q2500")).andExpect(lacks("id=\"rows\""))
                .andExpect(has("name=\"part\" value=\"2\""));
        editing.make("edited_count", 2, new SetConditions(Map.of("q2600.askWhen", "q2500 = false")), () -> "ines");
        web.perform(get(compose + "/changes").param("since", "2").param("part", "2").param("at", "q2500").with(INES))
                .andExpect(has("row-q2600")).andExpect(lacks("row-q2601")).andExpect(lacks("id=\"rows\""));
        web.perform(get(compose + "/changes").param("since", "2").param("part", "0").param("at", "q100").with(INES))
                .andExpect(lacks("row-q2600")).andExpect(has("name=\"part\" value=\"0\""));
    }

    @Test
    void whoIsLedToARowElsewhereIsShownThePartAroundIt() throws Exception {
        web.perform(get(COMPOSE + "/changes").param("since", "1").param("part", "0").param("at", "q2800").with(INES))
                .andExpect(has("id=\"rows\"")).andExpect(has("row-q2800\"")).andExpect(lacks("row-q100\""));
    }

    @Test
    void foldedPagesShortenTheLedger() throws Exception {
        MockHttpSession session = new MockHttpSession();
        for (String page : new String[]{"p0", "p1"}) {
            web.perform(post(COMPOSE + "/fold").param("page", page).param("part", "0").with(INES).with(csrf())
                    .session(session)).andExpect(status().isOk());
        }
        web.perform(get(COMPOSE).with(INES).session(session)).andExpect(lacks("This questionnaire is long.")).andExpect(has("row-q2999\""));
    }

    @Test
    void theRulesAreListedInPart() throws Exception {
        web.perform(get("/q/long_count/rules").with(INES)).andExpect(has("The first 500 of these"))
                .andExpect(has("Choose a page on the left"))
                .andExpect(lacks("value=\"q10\""));
        web.perform(get("/q/long_count/rules").param("page", "p2").with(INES)).andExpect(has("value=\"q1210\""))
                .andExpect(lacks("value=\"q1010\"")).andExpect(has("q1210 is"));
    }

    @Test
    void theMapSaysWhatItDoesNotDrawAlsoWhenItDrawsItselfAnew() throws Exception {
        for (String level : new String[]{"deciding", "all"}) {
            RequestBuilder request = get("/q/long_count/map").param("level", level).with(INES);
            MockHttpServletResponse answer = web.perform(request).andReturn().getResponse();
            for (int tries = 0; tries < 600 && answer.getStatus() == 202; tries++) {
                Thread.sleep(100);
                answer = web.perform(request).andReturn().getResponse();
            }
            String sheet = answer.getContentAsString();
            Matcher again = Pattern.compile("hx-get=\"(/q/long_count/map[^\"]*)\"").matcher(sheet);
            assertTrue(again.find());
            Matcher note = Pattern.compile("There (is too much to draw|are [\\d,]+ connections)[^<]*").matcher(sheet);
            assertTrue(note.find(), level);
            web.perform(get(again.group(1).replace("&amp;", "&")).header("HX-Request", "true").with(INES)).andExpect(has(note.group()));
        }
    }

    @Test
    void theTextsAreListedInPart() throws Exception {
        web.perform(get("/q/long_count/languages").param("to", "fr").with(INES)).andExpect(has("Texts 1 to 1500 of"))
                .andExpect(has("data-unit=\"q100.wording\"")).andExpect(lacks("data-unit=\"q2500.wording\""))
                .andExpect(has("Later")).andExpect(lacks("Earlier"));
        web.perform(get("/q/long_count/languages").param("to", "fr").param("unit", "q2500.wording").with(INES))
                .andExpect(has("Texts 1501 to")).andExpect(has("data-unit=\"q2500.wording\"")).andExpect(has("Earlier"));
        web.perform(get("/q/long_count/languages").param("to", "fr").param("find", "Bird 25").with(INES))
                .andExpect(lacks("The list is long.")).andExpect(has("data-unit=\"q2500.wording\""));
    }
}
