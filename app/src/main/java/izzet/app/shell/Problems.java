package izzet.app.shell;

import izzet.app.backup.DataFault;
import izzet.app.fault.Busy;
import izzet.app.fault.NoSuchThing;
import izzet.app.fault.PreconditionMissing;
import izzet.app.fault.StaleItem;
import izzet.app.fault.StalePlan;
import izzet.app.fault.Stopped;
import izzet.app.fault.TooLarge;
import izzet.app.fault.UnreadableRevision;
import izzet.app.fault.WrongField;
import izzet.app.store.ClosedByFault;
import izzet.core.capture.RecordFault;
import izzet.core.catalog.CatalogException;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.PlanProblems;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;

/** One table of what can be refused: with which status, under which title, in which words; the same for pages and for programs. */
final class Problems {

    /** A refusal as told. */
    record Problem(HttpStatus status, String title, String detail) {}

    private record Row<E extends Throwable>(
            Class<E> type, HttpStatus status, String title, Function<? super E, String> detail) {

        Optional<Problem> of(Throwable e) {
            return type.isInstance(e)
                    ? Optional.of(new Problem(status, title, detail.apply(type.cast(e))))
                    : Optional.empty();
        }
    }

    /** The first that fits counts: the special before the general. */
    private static final List<Row<?>> TABLE = List.of(
            told(UnreadableRevision.class, HttpStatus.INTERNAL_SERVER_ERROR, "This revision cannot be read"),
            told(NoSuchThing.class, HttpStatus.NOT_FOUND, "Not here"),
            told(StalePlan.class, HttpStatus.CONFLICT, "Changed meanwhile"),
            told(StaleItem.class, HttpStatus.PRECONDITION_FAILED, "Changed meanwhile"),
            told(PlanProblems.class, HttpStatus.UNPROCESSABLE_CONTENT, "This plan document cannot be used"),
            told(PlanEdit.EditRefused.class, HttpStatus.CONFLICT, "The plan cannot take this change"),
            told(CatalogException.class, HttpStatus.UNPROCESSABLE_CONTENT, "This board or part cannot be used"),
            told(DataFault.class, HttpStatus.UNPROCESSABLE_CONTENT, "This backup cannot be used"),
            told(RecordFault.class, HttpStatus.UNPROCESSABLE_CONTENT, "This record cannot be read"),
            told(PreconditionMissing.class, HttpStatus.PRECONDITION_REQUIRED, "If-Match is missing"),
            told(Stopped.class, HttpStatus.CONFLICT, "Stopped"),
            told(Busy.class, HttpStatus.SERVICE_UNAVAILABLE, "Much to do at the moment"),
            told(TooLarge.class, HttpStatus.CONTENT_TOO_LARGE, "Too large"),
            new Row<>(
                    MaxUploadSizeExceededException.class,
                    HttpStatus.CONTENT_TOO_LARGE,
                    "Too large",
                    Problems::tooLarge),
            new Row<>(
                    MissingServletRequestPartException.class,
                    HttpStatus.BAD_REQUEST,
                    "No file came",
                    e -> "Choose a file before you send the form; none came."),
            new Row<>(
                    MultipartException.class,
                    HttpStatus.BAD_REQUEST,
                    "The upload cannot be read",
                    e -> "The form with the file did not arrive as one: " + root(e)
                            + ". Send it again, with a shorter file name if that is what is told."),
            told(WrongField.class, HttpStatus.UNPROCESSABLE_CONTENT, "This cannot be taken"),
            told(IllegalArgumentException.class, HttpStatus.BAD_REQUEST, "This request cannot be understood"),
            new Row<>(
                    MissingServletRequestParameterException.class,
                    HttpStatus.BAD_REQUEST,
                    "A parameter is missing",
                    e -> "The parameter '" + e.getParameterName() + "' is missing; the API page tells what it is for."),
            new Row<>(
                    MethodArgumentTypeMismatchException.class,
                    HttpStatus.BAD_REQUEST,
                    "This request cannot be understood",
                    e -> "'" + e.getValue() + "' is no value for '" + e.getName() + "'; a number is expected."),
            new Row<>(
                    HttpRequestMethodNotSupportedException.class,
                    HttpStatus.METHOD_NOT_ALLOWED,
                    "Not done this way",
                    e -> e.getMethod() + " does nothing here; "
                            + e.getSupportedHttpMethods().stream()
                                    .map(HttpMethod::name)
                                    .sorted()
                                    .collect(Collectors.joining(", "))
                            + " would."));

    private Problems() {}

    /** Empty for what nobody foresaw: a fault of ours. */
    static Optional<Problem> of(Throwable e) {
        Optional<Problem> told =
                TABLE.stream().flatMap(row -> row.of(e).stream()).findFirst();
        return told.isEmpty() && ClosedByFault.is(e) ? Optional.of(closed(e)) : told;
    }

    private static Problem closed(Throwable e) {
        return new Problem(
                HttpStatus.SERVICE_UNAVAILABLE,
                "The database could not write",
                "It closed itself: " + root(e)
                        + ". What was acknowledged is kept; what was sent now may not be. It opens again by itself:"
                        + " look again in a moment, and make room on the disk if that is the cause.");
    }

    private static <E extends Throwable> Row<E> told(Class<E> type, HttpStatus status, String title) {
        return new Row<>(type, status, title, Throwable::getMessage);
    }

    /** The same exception tells of a file and of the head of a form's part, which holds the file's name. */
    private static String tooLarge(Throwable e) {
        return root(e).contains("exceeds")
                ? "The file is larger than records may be here (1 GB). Record a shorter stretch, or raise"
                        + " spring.servlet.multipart.max-file-size."
                : "The form with the file cannot be read: " + root(e) + ". Give the file a shorter name.";
    }

    private static Throwable cause(Throwable e) {
        Throwable cause = e;
        while (cause.getCause() != null) {
            cause = cause.getCause();
        }
        return cause;
    }

    private static String root(Throwable e) {
        return String.valueOf(cause(e).getMessage());
    }
}
