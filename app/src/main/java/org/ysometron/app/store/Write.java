package org.ysometron.app.store;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.transaction.annotation.Transactional;

/**
 * A step that writes: all of it is kept or nothing, and where it collides with another person's step (a deadlock, a row that
 * somebody else made first) it is done again from its beginning instead of being shown as an error. What it reads before it
 * holds its lock may be old by then: lock first.
 */
@Documented
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@Transactional(rollbackFor = Exception.class)
public @interface Write {}
