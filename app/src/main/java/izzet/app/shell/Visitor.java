package izzet.app.shell;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Who looks at a page: templates ask it what to leave out. */
@Component("visitor")
public class Visitor {

    /** Attribute of a request: id of the only plan that may be read; missing for those who may do everything. */
    public static final String READS = "izzet.reads";

    private final boolean shared;

    Visitor(@Value("${izzet.lan:false}") boolean shared) {
        this.shared = shared;
    }

    /** Whether other devices can be paired. */
    public boolean shared() {
        return shared;
    }

    /** Whether they may only read, and only one plan. */
    public boolean reads() {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        return request != null && request.getAttribute(READS, RequestAttributes.SCOPE_REQUEST) != null;
    }
}
