package org.ysometron.app.bench;

/** Said inside the transaction in which readings of a lot were stored. */
public record ReadingsChanged(long lotId) {}
