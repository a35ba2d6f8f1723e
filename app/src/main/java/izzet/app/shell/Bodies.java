package izzet.app.shell;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.concurrent.Semaphore;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/**
 * Keeps threads for reading: a request that sends a body holds its thread until the body is there, however slowly it comes. Files may take
 * a few threads, all other bodies no more than half of them. A valve and no filter, since only the server can let go of a body unread.
 */
@Component
class Bodies implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

    static final int MOST_FILES = 8;
    static final int MOST_FORMS = 100;

    /** In bytes. */
    private static final long LONGEST_FORM = 2_000_000;

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addEngineValves(new Share());
    }

    private static final class Share extends ValveBase {

        private final Semaphore files = new Semaphore(MOST_FILES);
        private final Semaphore forms = new Semaphore(MOST_FORMS);

        Share() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            if (!hasBody(request)) {
                getNext().invoke(request, response);
                return;
            }
            Semaphore share = isFile(request) ? files : forms;
            if (!share.tryAcquire()) {
                refuse(request, response, share == files);
                return;
            }
            try {
                getNext().invoke(request, response);
            } finally {
                share.release();
            }
        }

        private static void refuse(Request request, Response response, boolean file) throws IOException {
            response.setHeader(HttpHeaders.RETRY_AFTER, "5");
            Refusal.write(
                    request,
                    response,
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "Busy",
                    file
                            ? MOST_FILES + " files are being sent at this moment, which is the most. Nothing was saved;"
                                    + " send yours again when one of them is done."
                            : "Too many forms are being sent at this moment. Nothing was saved; send yours again.");
            // Otherwise the server would wait for the rest of the body before it lets the thread go.
            request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }

        private static boolean hasBody(Request request) {
            return request.getContentLengthLong() > 0 || isChunked(request);
        }

        private static boolean isChunked(Request request) {
            return request.getContentLengthLong() < 0 && request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
        }

        private static boolean isFile(Request request) {
            String type = request.getContentType();
            return isChunked(request)
                    || request.getContentLengthLong() > LONGEST_FORM
                    || type != null && type.startsWith(MediaType.MULTIPART_FORM_DATA_VALUE);
        }
    }
}
