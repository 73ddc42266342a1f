package org.hiddenclerk.app.platform.problem;

import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be carried out as it stands; becomes an RFC 9457 problem. */
public class ProblemException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final transient List<FieldProblem> errors;

    public ProblemException(HttpStatus status, String title, List<FieldProblem> errors) {
        super(title);
        this.status = status;
        this.errors = List.copyOf(errors);
    }

    /** The content contradicts itself or a rule. */
    public static ProblemException content(String title, List<FieldProblem> errors) {
        return new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, title, errors);
    }

    public static ProblemException content(String title, FieldProblem error) {
        return content(title, List.of(error));
    }

    public static ProblemException notFound(String what) {
        return new ProblemException(HttpStatus.NOT_FOUND, "There is no such " + what + ".", List.of());
    }

    /** The state of things forbids it now. */
    public static ProblemException conflict(String title) {
        return new ProblemException(HttpStatus.CONFLICT, title, List.of());
    }

    public HttpStatus status() {
        return status;
    }

    public List<FieldProblem> errors() {
        return errors;
    }
}
