package ivesk.server.app;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/// Takes the facts and answers without saving: its answer is made of what was sent alone, so that
/// what core calls impossible is bad input.
@Target({ElementType.TYPE, ElementType.METHOD})
@Retention(RetentionPolicy.RUNTIME)
public @interface StatelessQuestion {}
