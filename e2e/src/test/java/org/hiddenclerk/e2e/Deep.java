package org.hiddenclerk.e2e;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** Tried by {@code ./clerk test --deep} alone: machines that die, and what the short run has one of already. docs/testing.md lists them. */
@Target({ElementType.TYPE, ElementType.METHOD})
@Retention(RetentionPolicy.RUNTIME)
@EnabledIfSystemProperty(named = Deep.RUN, matches = "true", disabledReason = "tried by ./clerk test --deep")
@interface Deep {
    /** Property that is true in the deep run. */
    String RUN = "clerk.deep";
}
