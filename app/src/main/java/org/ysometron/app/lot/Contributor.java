package org.ysometron.app.lot;

import java.util.Set;

/** A room that knows accounts which entered, made or corrected something of a lot. */
public interface Contributor {

    /** The accounts. */
    Set<String> contributors(long lotId);

    /** Whether what they entered is evidence itself, so that they give no word about it. */
    boolean isEvidence();
}
