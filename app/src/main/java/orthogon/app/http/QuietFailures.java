package orthogon.app.http;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.core.Ordered;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.ModelAndView;

/**
 * Errors that nobody foresaw: one line in the log that says where, and the page that says so. What an error says of itself is not logged,
 * since it may quote what somebody answered.
 */
@Component
class QuietFailures implements HandlerExceptionResolver, Ordered {

    private static final Logger LOG = LoggerFactory.getLogger(QuietFailures.class);

    private final ApplicationEventPublisher events;

    QuietFailures(ApplicationEventPublisher events) {
        this.events = events;
    }

    @Override
    public int getOrder() {
        return LOWEST_PRECEDENCE;
    }

    @Override
    public ModelAndView resolveException(HttpServletRequest request, HttpServletResponse response, Object handler, Exception error) {
        Object pattern = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
        LOG.error("{} {} failed: {}", request.getMethod(), pattern, where(error));
        boolean storage = StorageFailed.isCauseOf(error);
        if (storage) {
            events.publishEvent(new StorageFailed());
        }
        try {
            if (!response.isCommitted()) {
                response.sendError(storage ? HttpStatus.INSUFFICIENT_STORAGE.value() : HttpServletResponse.SC_INTERNAL_SERVER_ERROR);
            }
        } catch (IOException e) {
            // Nobody is there any more to be told.
        }
        return new ModelAndView();
    }

    /** The kinds of the error and of what caused it, each with the place of ours where it came up. */
    static String where(Throwable error) {
        StringBuilder words = new StringBuilder();
        int depth = 0;
        for (Throwable cause = error; cause != null && depth < 5; cause = cause.getCause(), depth++) {
            String at = Arrays.stream(cause.getStackTrace()).filter(f -> f.getClassName().startsWith("orthogon.")).findFirst()
                    .map(f -> " at " + f.getClassName() + ":" + f.getLineNumber()).orElse("");
            words.append(depth == 0 ? "" : ", caused by ").append(cause.getClass().getSimpleName()).append(at);
        }
        return words.toString();
    }
}
