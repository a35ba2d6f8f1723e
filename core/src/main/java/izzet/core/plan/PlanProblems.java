package izzet.core.plan;

import java.util.List;
import java.util.stream.Collectors;

/** A plan document that cannot be used, with everything that is wrong with it, up to a cap. */
public final class PlanProblems extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** More than this many are not listed. */
    public static final int MOST = 20;

    private final transient List<PlanProblem> problems;

    public PlanProblems(List<PlanProblem> problems) {
        super(problems.stream().map(PlanProblem::toString).collect(Collectors.joining("\n")));
        this.problems = List.copyOf(problems.subList(0, Math.min(MOST, problems.size())));
    }

    /** In the order of the document. */
    public List<PlanProblem> problems() {
        return problems;
    }
}
