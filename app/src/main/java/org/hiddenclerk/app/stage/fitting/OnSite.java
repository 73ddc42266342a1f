package org.hiddenclerk.app.stage.fitting;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is entered on site. All entries of a house are taken one after the other, and each reads what the one before it left: a circuit has
 * many boxes, and nobody may pass a gate on what was true a moment ago.
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@Transactional(isolation = Isolation.READ_COMMITTED)
@interface OnSite {}
