package orthogon.app.http;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.unit.DataSize;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;

/** Every error as a page that says what is wrong and what to do, without inner details. */
@Controller
@ControllerAdvice
public class Errors implements ErrorController {

    private final List<ErrorPage> parts;
    private final DataSize largest;

    Errors(List<ErrorPage> parts, @Value("${spring.servlet.multipart.max-file-size}") DataSize largest) {
        this.parts = parts;
        this.largest = largest;
    }

    @ExceptionHandler(NotThere.class)
    String notThere(NotThere missing, HttpServletRequest request, Model model, HttpServletResponse response) {
        return page(request, model, response, HttpStatus.NOT_FOUND, missing.getMessage());
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    String tooLarge(HttpServletRequest request, Model model, HttpServletResponse response) {
        return page(request, model, response, HttpStatus.CONTENT_TOO_LARGE,
                "The file is larger than " + largest.toMegabytes() + " MB. Choose a smaller one, then try again.");
    }

    @ExceptionHandler(MultipartException.class)
    String noFile(HttpServletRequest request, Model model, HttpServletResponse response) {
        return page(request, model, response, HttpStatus.BAD_REQUEST,
                "A file is expected here, and none came. Choose one, then try again.");
    }

    @RequestMapping("/error")
    String any(HttpServletRequest request, HttpServletResponse response, Model model) {
        Object code = request.getAttribute(jakarta.servlet.RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer n && HttpStatus.resolve(n) != null ? HttpStatus.valueOf(n) : HttpStatus.NOT_FOUND;
        String message = switch (status) {
            case NOT_FOUND -> "There is nothing at this address.";
            case FORBIDDEN -> "Your role does not allow this, or the page was open too long. Go back, reload it, and try again.";
            case BAD_REQUEST -> "The request could not be read.";
            case SERVICE_UNAVAILABLE -> "Orthogon is not set up yet. Whoever runs it finds the address for that in its log.";
            case INSUFFICIENT_STORAGE ->
                "Nothing can be saved at the moment. What you had saved before is safe. Try again in a few minutes.";
            case METHOD_NOT_ALLOWED -> "This address does not take that kind of request.";
            default -> status.is5xxServerError()
                    ? "Something went wrong here. What you had saved before is safe. Go back and try again."
                    : "This did not work.";
        };
        return page(request, model, response, status, message);
    }

    private String page(HttpServletRequest request, Model model, HttpServletResponse response, HttpStatus status, String message) {
        response.setStatus(status.value());
        for (ErrorPage part : parts) {
            Optional<String> own = part.of(request, status, model);
            if (own.isPresent()) {
                return own.get();
            }
        }
        model.addAttribute("message", message);
        model.addAttribute("status", status.value());
        return "error";
    }
}
