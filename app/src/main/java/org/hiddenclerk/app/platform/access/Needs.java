package org.hiddenclerk.app.platform.access;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** The right that every endpoint of a controller needs, or one of them alone. An endpoint without it is refused to everybody. */
@Target({ElementType.TYPE, ElementType.METHOD})
@Retention(RetentionPolicy.RUNTIME)
public @interface Needs {
    Right value();
}
