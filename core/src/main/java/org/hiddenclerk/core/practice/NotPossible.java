package org.hiddenclerk.core.practice;

/** Something that cannot be done at the wall as it is now; the message says why and what to do first. */
public final class NotPossible extends RuntimeException {
    private static final long serialVersionUID = 1;

    NotPossible(String reason) {
        super(reason);
    }
}
