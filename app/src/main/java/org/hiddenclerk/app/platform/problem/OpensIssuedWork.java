package org.hiddenclerk.app.platform.problem;

import java.net.URI;
import java.util.List;
import org.springframework.http.HttpStatus;

/** A change would open work again that was issued, and does not say that it is meant to. */
public class OpensIssuedWork extends ProblemException {
    /** A request with {@code yes} here is meant to open work again. */
    public static final String HEADER = "Opens-Again";

    public static final URI TYPE = URI.create("urn:problem:opens-issued-work");

    private static final long serialVersionUID = 1L;

    /** @param labels of the boxes whose plan is issued on the ground of what would change */
    public OpensIssuedWork(List<String> labels) {
        super(
                HttpStatus.CONFLICT,
                "The plan issued for " + String.join(", ", labels)
                        + " rests on this. Changed like this, it has to be issued again.",
                List.of(new FieldProblem(
                        "", "a change of what was issued", "the header " + HEADER + ": yes, when that is meant")));
    }
}
