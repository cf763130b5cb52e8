package orthogon.app.frame;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Notes in a cookie which sheets a person has opened before in this browser, so that a sheet explains itself once. */
@ControllerAdvice
class FirstVisits {

    private static final String BETWEEN = ".";

    private final Frame frame;

    FirstVisits(Frame frame) {
        this.frame = frame;
    }

    private boolean isSheet(String name) {
        return frame.tab(name).isPresent();
    }

    /** Whether the person opens this sheet for the first time. */
    @ModelAttribute("firstVisit")
    boolean isFirst(Authentication who, HttpServletRequest request, HttpServletResponse response) {
        String[] path = request.getRequestURI().split("/");
        boolean sheet = who != null && request.getMethod().equals("GET") && path.length == 4 && path[1].equals("q")
                && request.getHeader("HX-Request") == null && isSheet(path[3]);
        if (!sheet) {
            return false;
        }
        String name = "opened-" + who.getName();
        List<String> before = request.getCookies() == null
                ? List.of()
                : Arrays.stream(request.getCookies()).filter(c -> c.getName().equals(name)).map(Cookie::getValue)
                        .flatMap(v -> Arrays.stream(v.split("\\."))).filter(this::isSheet).distinct().toList();
        if (before.contains(path[3])) {
            return false;
        }
        String now = String.join(BETWEEN, Stream.concat(before.stream(), Stream.of(path[3])).toList());
        response.addHeader(HttpHeaders.SET_COOKIE, ResponseCookie.from(name, now).path("/q").httpOnly(true).sameSite("Lax")
                .secure(request.isSecure()).maxAge(Duration.ofDays(365)).build().toString());
        return true;
    }
}
