package org.hiddenclerk.app.problem;

import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be carried out as it stands; becomes an RFC 9457 problem. */
public class Unusable extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final transient List<FieldProblem> errors;

    public Unusable(HttpStatus status, String title, List<FieldProblem> errors) {
        super(title);
        this.status = status;
        this.errors = List.copyOf(errors);
    }

    /** The content contradicts itself or a rule. */
    public static Unusable content(String title, List<FieldProblem> errors) {
        return new Unusable(HttpStatus.UNPROCESSABLE_CONTENT, title, errors);
    }

    public static Unusable content(String title, FieldProblem error) {
        return content(title, List.of(error));
    }

    public static Unusable notFound(String what) {
        return new Unusable(HttpStatus.NOT_FOUND, "There is no such " + what + ".", List.of());
    }

    /** The state of things forbids it now. */
    public static Unusable conflict(String title) {
        return new Unusable(HttpStatus.CONFLICT, title, List.of());
    }

    public HttpStatus status() {
        return status;
    }

    public List<FieldProblem> errors() {
        return errors;
    }
}
