package org.ysometron.app.web;

/** Something was asked for by a name that nothing has. Answered with 404. */
public class NotFound extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** {@code what} names the thing and the name that was tried: "lot 'X1'". */
    public NotFound(String what) {
        super("There is no " + what + ".");
    }
}
