package orthogon.app.web;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.hamcrest.Matchers.startsWith;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import orthogon.app.background.Result;
import orthogon.app.background.Work;
import orthogon.app.background.Works;
import orthogon.app.demo.DemoPeople;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** The page of long work: how far it is, what came of it, and how it is stopped. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:work"})
@AutoConfigureMockMvc
class LongWorkTest {

    private static final RequestPostProcessor INES = user("ines");
    private static final RequestPostProcessor OSK = user("osk");
    private static final String HTML = "text/html,application/xhtml+xml,*/*;q=0.8";

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople people;
    @Autowired
    private Works works;

    @BeforeEach
    void come() {
        people.come();
    }

    private final CountDownLatch held = new CountDownLatch(1);

    @AfterEach
    void letGo() {
        held.countDown();
    }

    private void shows(String path, String words) throws Exception {
        web.perform(get(path).with(INES)).andExpect(status().isOk()).andExpect(content().string(containsString(words)));
    }

    @Test
    void aFileThatTakesLongLeadsToAPageThatTellsAndGivesIt() throws Exception {
        CountDownLatch told = new CountDownLatch(1);
        ResponseEntity<Object> answer = works.file(HTML, "The responses to Fen", "/q/fen/responses", "ines", progress -> {
            progress.at("Writing the responses", 2, 5);
            told.countDown();
            held.await();
            return new Result.File("a,b".getBytes(StandardCharsets.UTF_8), MediaType.TEXT_PLAIN, "attachment; filename=\"fen.csv\"");
        });
        told.await();
        assertEquals(303, answer.getStatusCode().value());
        String page = answer.getHeaders().getFirst("Location");
        shows(page, "Writing the responses: 2 of 5");
        shows(page + "/going", "Writing the responses: 2 of 5");
        web.perform(get(page).with(OSK)).andExpect(status().isNotFound());
        web.perform(get(page + "/result").with(INES)).andExpect(status().isNotFound());
        held.countDown();
        for (int tries = 0; tries < 600 && !web.perform(get(page + "/going").with(INES)).andReturn().getResponse().getContentAsString()
                .contains("data-leads-to"); tries++) {
            Thread.sleep(100);
        }
        shows(page + "/going", "data-leads-to=\"" + page + "/result\"");
        web.perform(get(page + "/result").with(INES)).andExpect(content().string("a,b"))
                .andExpect(header().string("Content-Disposition", "attachment; filename=\"fen.csv\""));
    }

    @Test
    void workIsStoppedByWhoeverBeganIt() throws Exception {
        Work work = works.begin("The PDF of Fen", "/q/fen/release", "ines", progress -> {
            held.await();
            return new Result.Address("/");
        });
        String page = Works.address(work);
        web.perform(post(page + "/stop").with(csrf()).with(OSK)).andExpect(status().isNotFound());
        web.perform(post(page + "/stop").with(csrf()).with(INES)).andExpect(redirectedUrl("/q/fen/release"));
        shows(page, "Stopped. Nothing was changed.");
    }

    @Test
    void whatIsRefusedOrFailsIsSaidOnThePage() throws Exception {
        Work refused = works.begin("The questionnaire in “fen.json”", "/", "ines", progress -> new Result.Refusal("It cannot be used.",
                List.of(new Result.ResultFault("/pages/0", "a page needs a code"), new Result.ResultFault("", "it is too large"))));
        refused.result(Duration.ofMinutes(1));
        web.perform(get(Works.address(refused)).with(INES)).andExpect(content().string(containsString("It cannot be used.")))
                .andExpect(content().string(containsString("<code>/pages/0</code>")))
                .andExpect(content().string(containsString("<code>the file</code>")))
                .andExpect(content().string(not(containsString("data-leads-to"))));
        CountDownLatch ended = new CountDownLatch(1);
        Work failed = works.begin("The PDF of Fen", "/", "ines", progress -> {
            ended.countDown();
            throw new IllegalStateException("inner words");
        });
        ended.await();
        while (failed.state().equals("under way")) {
            Thread.sleep(10);
        }
        web.perform(get(Works.address(failed)).with(INES)).andExpect(content().string(containsString("Orthogon failed here.")))
                .andExpect(content().string(not(containsString("inner words"))));
    }

    @Test
    void aProgramThatAsksForNoPageWaitsForItsFile() throws Exception {
        ResponseEntity<Object> answer = works.file("*/*", "The PDF of Fen", "/", "osk", progress -> {
            Thread.sleep(2_500);
            return new Result.File(new byte[]{1}, MediaType.APPLICATION_PDF, "inline");
        });
        assertEquals(200, answer.getStatusCode().value());
    }

    @Test
    void whoeverSavesAFileIsInTheTrail() throws Exception {
        web.perform(post("/new").param("title", "Reed").with(csrf()).with(INES)).andExpect(redirectedUrl("/q/reed/compose"));
        for (String file : new String[]{"/q/reed/file", "/q/reed/responses/file.csv", "/q/reed/release/invitations/file.csv",
                "/q/reed/release/paper.pdf", "/q/reed/release/dictionary.xlsx", "/q/reed/release/responses.schema.json",
                "/q/reed/map/file.svg"}) {
            web.perform(get(file).with(INES)).andExpect(status().isOk());
        }
        for (String line : new String[]{"saved revision 1 as a file", "saved 0 responses as CSV", "saved the list of invitations",
                "saved the questionnaire in en as PDF", "saved the dictionary as XLSX", "saved the schema of its responses",
                "saved the map of revision 1"}) {
            shows("/trail", line);
        }
    }

    @Test
    void moreWorkThanOnePersonMayHaveIsAnError() throws Exception {
        RequestPostProcessor busy = user("jory");
        web.perform(post("/new").param("title", "Fen").with(csrf()).with(busy)).andExpect(redirectedUrl("/q/fen/compose"));
        for (int i = 0; i < 4; i++) {
            works.begin("A file", "/", "jory", progress -> {
                held.await();
                return new Result.Address("/");
            });
        }
        web.perform(get("/q/fen/release/paper.pdf").with(busy)).andExpect(status().is(429))
                .andExpect(content().string(startsWith("<!DOCTYPE html>")))
                .andExpect(content().string(containsString("Wait until one is ready, or stop one")));
        held.countDown();
        web.perform(get("/q/fen/release/paper.pdf").with(INES)).andExpect(status().isOk())
                .andExpect(content().contentType(MediaType.APPLICATION_PDF));
    }
}
