package izzet.app.shell;

import izzet.app.backup.DataFault;
import izzet.app.plan.NoSuchThing;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StalePlan;
import izzet.app.plan.UnreadableRevision;
import izzet.app.plan.WrongField;
import izzet.core.capture.RecordFault;
import izzet.core.catalog.CatalogException;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.PlanProblems;
import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.ModelAndView;

/** Turns faults into a page for people or a problem document (RFC 9457) for programs. Nothing was saved when one of these shows. */
@ControllerAdvice
class PageFaults {

    private static final Pattern PLAN = Pattern.compile("/plans/(\\d{1,18})(/.*)?");

    private final PlanStore plans;

    PageFaults(PlanStore plans) {
        this.plans = plans;
    }

    @ExceptionHandler(UnreadableRevision.class)
    Object unreadable(UnreadableRevision e, HttpServletRequest request) {
        return answer(HttpStatus.INTERNAL_SERVER_ERROR, "This revision cannot be read", e.getMessage(), request);
    }

    @ExceptionHandler(NoSuchThing.class)
    Object missing(NoSuchThing e, HttpServletRequest request) {
        return answer(HttpStatus.NOT_FOUND, "Not here", e.getMessage(), request);
    }

    @ExceptionHandler(StalePlan.class)
    Object stale(StalePlan e, HttpServletRequest request) {
        HttpStatus status = api(request) ? HttpStatus.PRECONDITION_FAILED : HttpStatus.CONFLICT;
        Object answer = answer(status, "Changed meanwhile", e.getMessage(), request);
        if (answer instanceof ModelAndView page) {
            page.addObject("version", e.version());
            page.addObject("again", request.getParameter("version") == null ? null : again(request, e.version()));
        }
        return answer;
    }

    @ExceptionHandler(PlanProblems.class)
    Object problems(PlanProblems e, HttpServletRequest request) {
        return answer(HttpStatus.UNPROCESSABLE_CONTENT, "This plan document cannot be used", e.getMessage(), request);
    }

    @ExceptionHandler(PlanEdit.EditRefused.class)
    Object refused(PlanEdit.EditRefused e, HttpServletRequest request) {
        return answer(HttpStatus.CONFLICT, "The plan cannot take this change", e.getMessage(), request);
    }

    @ExceptionHandler(CatalogException.class)
    Object file(CatalogException e, HttpServletRequest request) {
        return answer(HttpStatus.UNPROCESSABLE_CONTENT, "This board or part cannot be used", e.getMessage(), request);
    }

    @ExceptionHandler(DataFault.class)
    Object data(DataFault e, HttpServletRequest request) {
        return answer(HttpStatus.UNPROCESSABLE_CONTENT, "This backup cannot be used", e.getMessage(), request);
    }

    @ExceptionHandler(RecordFault.class)
    Object record(RecordFault e, HttpServletRequest request) {
        return answer(HttpStatus.UNPROCESSABLE_CONTENT, "This record cannot be read", e.getMessage(), request);
    }

    @ExceptionHandler(PreconditionMissing.class)
    Object precondition(PreconditionMissing e, HttpServletRequest request) {
        return answer(HttpStatus.PRECONDITION_REQUIRED, "If-Match is missing", e.getMessage(), request);
    }

    @ExceptionHandler(TooLarge.class)
    Object tooLarge(TooLarge e, HttpServletRequest request) {
        return answer(HttpStatus.CONTENT_TOO_LARGE, "Too large", e.getMessage(), request);
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    Object upload(HttpServletRequest request) {
        return answer(
                HttpStatus.CONTENT_TOO_LARGE,
                "Too large",
                "The file is larger than records may be here (1 GB). Record a shorter stretch, or raise spring.servlet.multipart.max-file-size.",
                request);
    }

    @ExceptionHandler(WrongField.class)
    Object field(WrongField e, HttpServletRequest request) {
        Object answer = answer(HttpStatus.UNPROCESSABLE_CONTENT, "This cannot be taken", e.getMessage(), request);
        if (answer instanceof ModelAndView page) {
            page.addObject("field", e.field());
        }
        return answer;
    }

    @ExceptionHandler(IllegalArgumentException.class)
    Object badRequest(IllegalArgumentException e, HttpServletRequest request) {
        return answer(HttpStatus.BAD_REQUEST, "This request cannot be understood", e.getMessage(), request);
    }

    @ExceptionHandler(MissingServletRequestParameterException.class)
    Object parameter(MissingServletRequestParameterException e, HttpServletRequest request) {
        return answer(
                HttpStatus.BAD_REQUEST,
                "A parameter is missing",
                "The parameter '" + e.getParameterName() + "' is missing; the API page tells what it is for.",
                request);
    }

    @ExceptionHandler(MissingServletRequestPartException.class)
    Object part(MissingServletRequestPartException e, HttpServletRequest request) {
        return answer(
                HttpStatus.BAD_REQUEST, "No file came", "Choose a file before you send the form; none came.", request);
    }

    @ExceptionHandler(MethodArgumentTypeMismatchException.class)
    Object type(MethodArgumentTypeMismatchException e, HttpServletRequest request) {
        return answer(
                HttpStatus.BAD_REQUEST,
                "This request cannot be understood",
                "'" + e.getValue() + "' is no value for '" + e.getName() + "'; a number is expected.",
                request);
    }

    @ExceptionHandler(HttpRequestMethodNotSupportedException.class)
    Object method(HttpRequestMethodNotSupportedException e, HttpServletRequest request) {
        Object answer = answer(
                HttpStatus.METHOD_NOT_ALLOWED,
                "Not done this way",
                e.getMethod() + " does nothing here; "
                        + String.join(
                                ", ",
                                e.getSupportedHttpMethods().stream()
                                        .map(HttpMethod::name)
                                        .sorted()
                                        .toList())
                        + " would.",
                request);
        return answer instanceof ResponseEntity<?> problem
                ? ResponseEntity.status(problem.getStatusCode())
                        .headers(problem.getHeaders())
                        .allow(e.getSupportedHttpMethods().toArray(HttpMethod[]::new))
                        .body(problem.getBody())
                : answer;
    }

    private static boolean api(HttpServletRequest request) {
        return request.getRequestURI().startsWith("/api/");
    }

    Object answer(HttpStatus status, String title, String detail, HttpServletRequest request) {
        if (api(request)) {
            ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
            problem.setTitle(title);
            problem.setInstance(URI.create(request.getRequestURI()));
            return ResponseEntity.status(status)
                    .header(HttpHeaders.CONTENT_TYPE, MediaType.APPLICATION_PROBLEM_JSON_VALUE)
                    .body(problem);
        }
        String back = request.getHeader("Referer");
        ModelAndView page = new ModelAndView(
                "fault",
                Map.of("title", title, "detail", detail, "status", status.value(), "back", back == null ? "/" : back));
        page.setStatus(status);
        page.addObject("undo", undo(request));
        return page;
    }

    /**
     * A form that sends the same change again, on the plan as it is now.
     *
     * @param fields names and values as they were sent, with the version of now
     */
    record Again(String action, List<Map.Entry<String, String>> fields) {}

    private static Again again(HttpServletRequest request, long version) {
        List<Map.Entry<String, String>> fields = new ArrayList<>();
        request.getParameterMap().forEach((name, values) -> {
            for (String value : values) {
                fields.add(Map.entry(name, name.equals("version") ? String.valueOf(version) : value));
            }
        });
        return new Again(request.getRequestURI(), fields);
    }

    /** Undo stays in reach on the fault of a plan's page. */
    record Undo(long plan, long version, String done, String here) {}

    private Undo undo(HttpServletRequest request) {
        Matcher plan = PLAN.matcher(request.getRequestURI());
        if (!plan.matches()) {
            return null;
        }
        long id = Long.parseLong(plan.group(1));
        try {
            return plans.undoable(id)
                    .map(u -> new Undo(id, u.version(), u.done(), "/plans/" + id + "/parts"))
                    .orElse(null);
        } catch (RuntimeException e) {
            // The store itself is out of order; the page says what is known.
            return null;
        }
    }
}
