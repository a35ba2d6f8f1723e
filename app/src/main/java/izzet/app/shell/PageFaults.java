package izzet.app.shell;

import izzet.app.fault.StalePlan;
import izzet.app.fault.WrongField;
import izzet.app.plan.PlanStore;
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
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;

/** Turns faults into a page for people or a problem document (RFC 9457) for programs. Nothing was saved when one of these shows. */
@ControllerAdvice
class PageFaults {

    private static final Pattern PLAN = Pattern.compile("/plans/(\\d{1,18})(/.*)?");

    private final PlanStore plans;

    PageFaults(PlanStore plans) {
        this.plans = plans;
    }

    @ExceptionHandler(Exception.class)
    Object fault(Exception e, HttpServletRequest request) throws Exception {
        // What no row tells is a fault of ours, and the error page says so.
        Problems.Problem problem = Problems.of(e).orElseThrow(() -> e);
        boolean stale = e instanceof StalePlan;
        HttpStatus status = stale && api(request) ? HttpStatus.PRECONDITION_FAILED : problem.status();
        Object answer = answer(status, problem.title(), problem.detail(), request);
        if (answer instanceof ModelAndView page) {
            if (e instanceof StalePlan late) {
                page.addObject("version", late.version());
                page.addObject(
                        "again", request.getParameter("version") == null ? null : again(request, late.version()));
            } else if (e instanceof WrongField wrong) {
                page.addObject("field", wrong.field());
            }
        } else if (answer instanceof ResponseEntity<?> body && e instanceof HttpRequestMethodNotSupportedException m) {
            return ResponseEntity.status(status)
                    .headers(body.getHeaders())
                    .allow(m.getSupportedHttpMethods().toArray(HttpMethod[]::new))
                    .body(body.getBody());
        }
        return answer;
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
        String back = back(request);
        ModelAndView page = new ModelAndView(
                "shell/fault", Map.of("title", title, "detail", detail, "status", status.value(), "back", back));
        page.setStatus(status);
        page.addObject("undo", undo(request));
        return page;
    }

    /** The page before, if it is one of ours. */
    private static String back(HttpServletRequest request) {
        try {
            URI from = URI.create(String.valueOf(request.getHeader("Referer")));
            String query = from.getRawQuery() == null ? "" : "?" + from.getRawQuery();
            return String.valueOf(from.getRawAuthority()).equalsIgnoreCase(request.getHeader("Host"))
                            && from.getRawPath().startsWith("/")
                    ? from.getRawPath() + query
                    : "/";
        } catch (IllegalArgumentException e) {
            return "/";
        }
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
