package orthogon.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;

/** Every error as a page that says what is wrong and what to do, without inner details. */
@Controller
@ControllerAdvice
public class Errors implements ErrorController {

    @ExceptionHandler(NotThere.class)
    String notThere(NotThere missing, Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.NOT_FOUND, missing.getMessage());
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    String tooLarge(Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.CONTENT_TOO_LARGE, "The file is larger than 8 MB.");
    }

    @ExceptionHandler(MultipartException.class)
    String noFile(Model model, HttpServletResponse response) {
        return page(model, response, HttpStatus.BAD_REQUEST, "A file is expected here, and none came. Choose one, then try again.");
    }

    @RequestMapping("/error")
    String any(HttpServletRequest request, HttpServletResponse response, Model model) {
        Object code = request.getAttribute(jakarta.servlet.RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer n && HttpStatus.resolve(n) != null ? HttpStatus.valueOf(n) : HttpStatus.NOT_FOUND;
        String message = switch (status) {
            case NOT_FOUND -> "There is nothing at this address.";
            case FORBIDDEN -> "Your role does not allow this, or the page was open too long. Go back, reload it, and try again.";
            case BAD_REQUEST -> "The request could not be read.";
            case METHOD_NOT_ALLOWED -> "This address does not take that kind of request.";
            default -> status.is5xxServerError()
                    ? "Something went wrong here. What you had saved before is safe. Go back and try again."
                    : "This did not work.";
        };
        return page(model, response, status, message);
    }

    private static String page(Model model, HttpServletResponse response, HttpStatus status, String message) {
        response.setStatus(status.value());
        model.addAttribute("message", message);
        model.addAttribute("status", status.value());
        return "error";
    }
}
