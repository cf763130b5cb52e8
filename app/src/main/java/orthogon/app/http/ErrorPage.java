package orthogon.app.http;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;

/** Shows the errors of one part of the application in that part's own look and language. */
public interface ErrorPage {

    /** Returns the view that tells of the error; empty if the request is to another part. */
    Optional<String> of(HttpServletRequest request, HttpStatus status, Model model);
}
