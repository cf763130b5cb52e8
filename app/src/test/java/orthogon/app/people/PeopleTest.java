package orthogon.app.people;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.samstevens.totp.code.DefaultCodeGenerator;
import java.util.List;
import orthogon.app.account.People;
import orthogon.app.account.SecondFactor;
import orthogon.app.store.AuditStore;
import orthogon.app.store.PersonStore;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** From the first start on: one administrator, who invites the others; each step in the trail. The steps follow one another. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:people"})
@AutoConfigureMockMvc
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PeopleTest {

    private static final String OTTERS = "otters swim at dawn";
    private static final String HERONS = "herons stand in the fen";

    @Autowired
    private MockMvc web;
    @Autowired
    private FirstStart firstStart;
    @Autowired
    private PersonStore store;
    @Autowired
    private People people;
    @Autowired
    private AuditStore audit;
    @Autowired
    private JdbcClient jdbc;
    @Autowired
    private SecondFactor secondFactor;

    private ResultActions send(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request.with(csrf()));
    }

    private ResultActions asInes(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request.with(user("ines")).with(csrf()));
    }

    private ResultActions signIn(String name, String password, String code) throws Exception {
        return send(post("/login").param("username", name).param("password", password).param("code", code));
    }

    private List<String> trail() {
        return audit.newest(100).stream().map(l -> l.author() + ": " + l.did()).toList();
    }

    private String mailed() {
        return jdbc.sql("select text from message order by id desc fetch first row only").query(String.class).single()
                .replaceAll("(?s).*(/join/[0-9a-f]+).*", "$1");
    }

    @Test
    @Order(1)
    void beforeThereIsAnybodyOnlyTheAddressInTheLogIsReachable() throws Exception {
        for (String path : new String[]{"/login", "/join/anything"}) {
            web.perform(get(path)).andExpect(status().isServiceUnavailable());
        }
        web.perform(get("/first/guessed")).andExpect(status().isNotFound());
        String first = "/first/" + firstStart.token();
        web.perform(get(first)).andExpect(status().isOk());
        MockHttpServletRequestBuilder common = post(first).param("name", "ines").param("shown", "Ines Tallow").param("password",
                "Password1234").param("again", "Password1234");
        send(common).andExpect(status().is(422)).andExpect(content().string(containsString("among the first that others try")));
        assertTrue(store.all().isEmpty());
        send(post(first).param("name", "ines").param("shown", "Ines Tallow").param("password", OTTERS).param("again", OTTERS))
                .andExpect(redirectedUrl("/login?joined"));
        web.perform(get(first)).andExpect(status().isNotFound());
        assertEquals(List.of("ines: began as the first administrator"), trail());
    }

    @Test
    @Order(2)
    void signingInAndFailingToAreInTheTrail() throws Exception {
        signIn("ines", "wrong", "").andExpect(redirectedUrl("/login?error"));
        signIn("nobody", "wrong", "").andExpect(redirectedUrl("/login?error"));
        signIn("Ines ", OTTERS, "").andExpect(redirectedUrl("/"));
        assertEquals(List.of("ines: signed in from 127.0.0.1", ": a sign-in as “nobody” failed, from 127.0.0.1",
                ": a sign-in as “ines” failed, from 127.0.0.1"), trail().subList(0, 3));
    }

    @Test
    @Order(3)
    void whoIsInvitedChoosesAPasswordOnceByTheLink() throws Exception {
        asInes(post("/people").param("name", "wren").param("shown", "Wren Alder").param("email", "no address")).andExpect(status().is(422));
        asInes(post("/people").param("name", "wren").param("shown", "Wren Alder").param("email", "wren@example.org").param("role",
                "VIEWER")).andExpect(redirectedUrl("/people"));
        asInes(post("/people").param("name", "wren").param("shown", "Another").param("email", "other@example.org"))
                .andExpect(status().is(422)).andExpect(content().string(containsString("has the name")));
        signIn("wren", "", "").andExpect(redirectedUrl("/login?error"));
        String link = mailed();
        web.perform(get(link)).andExpect(content().string(containsString("wren")));
        send(post(link).param("password", HERONS).param("again", "something else")).andExpect(status().is(422));
        send(post(link).param("password", HERONS).param("again", HERONS)).andExpect(redirectedUrl("/login?joined"));
        send(post(link).param("password", OTTERS).param("again", OTTERS)).andExpect(status().isNotFound());
        signIn("wren", HERONS, "").andExpect(redirectedUrl("/"));
        web.perform(get("/people").with(user("wren"))).andExpect(status().isForbidden());
        assertEquals(List.of("wren: signed in from 127.0.0.1", "wren: chose a password"), trail().subList(0, 2));
    }

    @Test
    @Order(4)
    void aLinkThatIsTooOldIsNone() throws Exception {
        asInes(post("/people/wren/reset")).andExpect(redirectedUrl("/people/wren"));
        String link = mailed();
        jdbc.sql("update person_link set ends_at = current_timestamp").update();
        web.perform(get(link)).andExpect(status().isNotFound());
    }

    @Test
    @Order(5)
    void theOnlyAdministratorStaysOne() throws Exception {
        asInes(post("/people/ines/role").param("role", "VIEWER")).andExpect(redirectedUrl("/people/ines"));
        asInes(post("/people/ines/disable"));
        assertTrue(people.find("ines").orElseThrow().administrator());
        assertFalse(people.find("ines").orElseThrow().disabled());
        assertEquals("ANALYST", people.find("ines").orElseThrow().role());
    }

    @Test
    @Order(6)
    void whoIsShutOutIsOutAtOnce() throws Exception {
        web.perform(get("/").with(user("wren"))).andExpect(status().isOk());
        asInes(post("/people/wren/disable"));
        web.perform(get("/").with(user("wren"))).andExpect(status().isForbidden());
        signIn("wren", HERONS, "").andExpect(redirectedUrl("/login?error"));
        asInes(post("/people/wren/enable"));
        web.perform(get("/").with(user("wren"))).andExpect(status().isOk());
        assertEquals(List.of("ines: let in again “wren”", ": a sign-in as “wren” failed, from 127.0.0.1", "ines: shut out “wren”"),
                trail().subList(0, 3));
    }

    @Test
    @Order(7)
    void oneChangesOnesOwnPassword() throws Exception {
        web.perform(post("/me/password").with(user("wren")).with(csrf()).param("now", "wrong").param("password", OTTERS).param("again",
                OTTERS)).andExpect(status().is(422)).andExpect(content().string(containsString("not the password you have now")));
        web.perform(post("/me/password").with(user("wren")).with(csrf()).param("now", HERONS).param("password", "short").param("again",
                "short")).andExpect(status().is(422));
        web.perform(post("/me/password").with(user("wren")).with(csrf()).param("now", HERONS).param("password", OTTERS).param("again",
                OTTERS)).andExpect(status().isOk());
        signIn("wren", OTTERS, "").andExpect(redirectedUrl("/"));
    }

    @Test
    @Order(8)
    void aSecondFactorThatIsDemandedIsAddedBeforeAnythingElse() throws Exception {
        asInes(post("/people/second-factor").param("demanded", "true"));
        web.perform(get("/").with(user("wren"))).andExpect(redirectedUrl("/me"));
        web.perform(get("/me").with(user("wren"))).andExpect(content().string(containsString("Everybody needs a second factor")));
        String key = SecondFactor.newKey();
        web.perform(post("/me/second-factor").with(user("wren")).with(csrf()).sessionAttr("offered-key", key).param("code", "000000x"))
                .andExpect(status().is(422));
        long step = java.time.Instant.now().getEpochSecond() / 30;
        web.perform(post("/me/second-factor").with(user("wren")).with(csrf()).sessionAttr("offered-key", key).param("code",
                new DefaultCodeGenerator().generate(key, step))).andExpect(status().isOk());
        web.perform(get("/").with(user("wren"))).andExpect(status().isOk());
        signIn("wren", OTTERS, "").andExpect(redirectedUrl("/login?error"));
        String code = new DefaultCodeGenerator().generate(key, java.time.Instant.now().getEpochSecond() / 30);
        signIn("wren", OTTERS, code).andExpect(redirectedUrl("/"));
        signIn("wren", OTTERS, code).andExpect(redirectedUrl("/login?error"));
        asInes(get("/people")).andExpect(redirectedUrl("/me"));
        secondFactor.demand(false);
        asInes(get("/people")).andExpect(status().isOk());
    }

    @Test
    @Order(9)
    void failuresSlowDownTheNameButNotOthers() throws Exception {
        for (int tries = 0; tries < 6; tries++) {
            signIn("ines", "wrong", "");
        }
        String to = signIn("ines", OTTERS, "").andReturn().getResponse().getRedirectedUrl();
        assertTrue(to.startsWith("/login?wait="), to);
        web.perform(get(to)).andExpect(content().string(containsString("tried too often")));
        assertEquals(0, audit.firstBroken());
    }
}
