package orthogon.app.web;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.util.EnumSet;
import java.util.stream.Collectors;
import java.util.List;
import orthogon.app.account.Act;
import orthogon.app.account.People;
import orthogon.app.account.Role;
import orthogon.app.doors.Door;
import orthogon.app.frame.SheetTab;
import orthogon.app.proving.Proofs;
import orthogon.app.store.KnownDrafts;
import orthogon.app.store.PersonStore;
import org.junit.jupiter.api.Test;
import java.io.IOException;
import java.nio.file.Path;
import orthogon.app.demo.MadeDemo;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.springframework.util.AntPathMatcher;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Who is let in where, and what bad requests are told. */
@SpringBootTest(properties = "orthogon.demo=true")
@AutoConfigureMockMvc
class DoorsTest {

    @DynamicPropertySource
    static void withDemo(DynamicPropertyRegistry properties) throws IOException {
        Path data = MadeDemo.copy();
        properties.add("orthogon.data", data::toString);
    }

    @Autowired
    private List<SheetTab> sheets;
    @Autowired
    private MockMvc web;

    @Autowired
    private PersonStore store;
    @Autowired
    private Proofs proofs;
    @Autowired
    private KnownDrafts drafts;

    @Autowired
    private People people;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    private static final RequestPostProcessor INES = user("ines");
    private static final RequestPostProcessor OSK = user("osk");

    @Test
    void nobodySeesASheetWithoutSigningIn() throws Exception {
        for (String path : new String[]{"/", "/q/found_animal/compose", "/q/found_animal/responses/file.csv", "/q/found_animal/live"}) {
            web.perform(get(path)).andExpect(status().is3xxRedirection()).andExpect(redirectedUrl("/login"));
        }
    }

    @Test
    void aSheetExplainsItselfOnceAndWhileItIsEmpty() throws Exception {
        String tip = "Prove checks every answer path";
        // A sheet whose proof takes long opens without it.
        List.of("found_animal", "foster_home").forEach(code -> proofs.of(drafts.head(code).orElseThrow()));
        Cookie opened = web.perform(get("/q/found_animal/prove").with(INES)).andExpect(content().string(containsString(tip))).andReturn()
                .getResponse().getCookie("opened-ines");
        web.perform(get("/q/found_animal/prove").with(INES).cookie(opened)).andExpect(content().string(not(containsString(tip))));
        web.perform(get("/q/foster_home/prove").with(INES).cookie(opened)).andExpect(content().string(not(containsString(tip))));
        web.perform(get("/q/foster_home/prove").with(OSK).cookie(opened)).andExpect(content().string(containsString(tip)));
        Cookie more = web.perform(get("/q/found_animal/release").with(INES).cookie(opened)).andReturn().getResponse()
                .getCookie("opened-ines");
        assertEquals("prove.release", more.getValue());
        web.perform(get("/q/bat_count/release").with(INES).cookie(more))
                .andExpect(content().string(containsString("Release publishes a revision")));
        web.perform(get("/q/found_animal/release").with(INES).cookie(more))
                .andExpect(content().string(not(containsString("Release publishes a revision"))));
    }

    @Test
    void aViewerLooksAndRehearsesButChangesNothing() throws Exception {
        for (String path : new String[]{"/", "/q/found_animal/compose", "/q/bat_count/prove", "/q/found_animal/rehearse",
                "/q/found_animal/release", "/q/found_animal/responses", "/q/found_animal/file"}) {
            web.perform(get(path).with(OSK)).andExpect(status().isOk());
        }
        String shut = "readonly=\"readonly\"";
        web.perform(get("/q/found_animal/languages").with(OSK)).andExpect(content().string(containsString(shut)));
        web.perform(get("/q/found_animal/languages").with(INES)).andExpect(content().string(not(containsString(shut))));
        for (String path : new String[]{"/new", "/q/found_animal/compose/add", "/q/found_animal/compose/change",
                "/q/found_animal/compose/undo", "/q/found_animal/release"}) {
            web.perform(post(path).with(OSK).with(csrf()).param("title", "No")).andExpect(status().isForbidden());
        }
        web.perform(post("/q/found_animal/rehearse").with(OSK).with(csrf()).param("~go", "again")).andExpect(status().is3xxRedirection());
    }

    /** Cell by cell: what a role may not do is refused, by address too; what it may do is not. The questionnaire is none there is. */
    @Test
    void everyRoleIsLetThroughTheDoorsOfItsOwnAndNoOther() throws Exception {
        int refused = 0;
        for (Role role : Role.values()) {
            String name = "one." + role.word();
            store.add(name, "One " + role.word(), "", "", role.name(), false);
            people.changed();
            for (Door door : Door.all(sheets)) {
                String path = door.path().replace("/q/*", "/q/nowhere").replace("/**", "/anything");
                MockHttpServletRequestBuilder request = door.method() == HttpMethod.GET ? get(path) : post(path).with(csrf());
                int status = web.perform(request.with(user(name))).andReturn().getResponse().getStatus();
                boolean may = door.act() == Act.BE_HERE || role.may(door.act());
                assertEquals(may, status != 403, role + " at " + door + ": " + status);
                refused += status == 403 ? 1 : 0;
            }
        }
        assertTrue(refused > 25, "some cells are shut: " + refused);
        // Personal answers have no address of their own; whoever may not read them is shown the same pages without them.
        assertEquals(EnumSet.complementOf(EnumSet.of(Act.READ_PERSONAL)),
                Door.all(sheets).stream().map(Door::act).collect(Collectors.toCollection(() -> EnumSet.noneOf(Act.class))));
    }

    @Test
    void aRoleForOneQuestionnaireOpensThatOneAlone() throws Exception {
        store.add("wren", "Wren Alder", "", "", "", false);
        store.setRole("wren", "bat_count", Role.ANALYST.name());
        people.changed();
        RequestPostProcessor wren = user("wren");
        web.perform(get("/q/bat_count/compose").with(wren)).andExpect(status().isOk());
        web.perform(get("/q/found_animal/compose").with(wren)).andExpect(status().isForbidden());
        web.perform(get("/q/found_animal/responses").with(wren)).andExpect(status().isForbidden());
        web.perform(post("/new").with(wren).with(csrf()).param("title", "Mine")).andExpect(status().isForbidden());
        web.perform(post("/desk/found_animal/archive").with(wren).with(csrf())).andExpect(status().isForbidden());
        web.perform(get("/").with(wren)).andExpect(content().string(containsString("bat_count")))
                .andExpect(content().string(not(containsString("foster_home"))));
        store.disable("wren", true);
        people.changed();
        web.perform(get("/q/bat_count/compose").with(wren)).andExpect(status().isForbidden());
    }

    @Test
    void everyAddressIsBehindADoorOrOpenToRespondents() {
        AntPathMatcher paths = new AntPathMatcher();
        for (RequestMappingInfo mapping : mappings.getHandlerMethods().keySet()) {
            for (String pattern : mapping.getPatternValues()) {
                String path = pattern.replaceAll("\\{[^/]*\\}", "x");
                boolean open = path.startsWith("/to/") || path.startsWith("/i/") || path.startsWith("/first/") || path.startsWith("/join/")
                        || path.equals("/login") || path.startsWith("/error");
                boolean post = mapping.getMethodsCondition().getMethods().contains(RequestMethod.POST);
                assertTrue(
                        open || Door.all(sheets).stream()
                                .anyMatch(d -> (d.method() == HttpMethod.POST) == post && paths.match(d.path(), path)),
                        mapping + " is behind no door");
            }
        }
    }

    @Test
    void whatNoDoorFitsIsOpenToNobody() throws Exception {
        web.perform(get("/elsewhere").with(INES)).andExpect(status().isForbidden());
        web.perform(post("/q/found_animal/elsewhere").with(INES).with(csrf())).andExpect(status().isForbidden());
    }

    @Test
    void aRequestThatForgedItsOriginIsRefused() throws Exception {
        web.perform(post("/q/found_animal/compose/undo").with(INES)).andExpect(status().isForbidden());
    }

    @Test
    void aFaultyExpressionIsRefusedWithItsPlaceAndNothingChanges() throws Exception {
        web.perform(post("/q/bat_count/compose/change").with(INES).with(csrf()).header("HX-Request", "true").param("revision", "1")
                .param("at", "licence").param("wording", "Text").param("askWhen", "conters > 1")).andExpect(status().is(422))
                .andExpect(content().string(containsString("there is no question or value called conters; did you mean counters?")));
        web.perform(get("/q/bat_count/compose?at=licence").with(INES)).andExpect(content().string(containsString("counters &gt;= 1")));
    }

    @Test
    void theGateDoesNotOpenForARequestOfItsOwn() throws Exception {
        web.perform(post("/q/bat_count/release").with(INES).with(csrf()).param("revision", "1")).andExpect(status().isConflict())
                .andExpect(content().string(containsString("The gate is shut")));
        web.perform(post("/q/found_animal/release").with(INES).with(csrf()).param("revision", "99")).andExpect(status().isConflict());
    }

    @Test
    void anUnreadableFileIsToldWhatIsWrongAndTheDeskStaysAsItIs() throws Exception {
        MockMultipartFile file = new MockMultipartFile("file", "bad.json", "application/json", "{\"orthogon\": 9}".getBytes());
        web.perform(multipart("/open").file(file).with(INES).with(csrf())).andExpect(status().is(422))
                .andExpect(content().string(containsString("written by a later Orthogon")))
                .andExpect(content().string(containsString("Winter bat")));
    }

    @Test
    void errorsSayNothingOfTheInside() throws Exception {
        for (String path : new String[]{"/q/nowhere/compose", "/q/found_animal/responses/NONE", "/i/nothing", "/to/nothing"}) {
            web.perform(get(path).with(INES)).andExpect(status().isNotFound())
                    .andExpect(content().string(not(containsString("Exception"))));
        }
    }
}
