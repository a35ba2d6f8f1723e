package izzet.app.shell;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;

/** What no other handler took: unknown addresses and faults of ours. Never a stack trace. */
@Controller
class ErrorPage implements ErrorController {

    private final PageFaults faults;

    ErrorPage(PageFaults faults) {
        this.faults = faults;
    }

    @RequestMapping("/error")
    Object error(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer c ? HttpStatus.valueOf(c) : HttpStatus.INTERNAL_SERVER_ERROR;
        String detail = status == HttpStatus.NOT_FOUND
                ? "There is nothing at this address."
                : status.is5xxServerError()
                        ? "Something went wrong here. Nothing was saved; what you had is still there."
                        : "The request cannot be served: " + status.getReasonPhrase() + ".";
        Object uri = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        return faults.answer(status, status.getReasonPhrase(), detail, new Original(request, String.valueOf(uri)));
    }

    /** The request under the address that was asked for first. */
    private static final class Original extends jakarta.servlet.http.HttpServletRequestWrapper {
        private final String uri;

        Original(HttpServletRequest request, String uri) {
            super(request);
            this.uri = uri;
        }

        @Override
        public String getRequestURI() {
            return uri;
        }
    }
}
