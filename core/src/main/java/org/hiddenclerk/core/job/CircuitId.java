package org.hiddenclerk.core.job;

/** Identity of a circuit within a job. */
public record CircuitId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
