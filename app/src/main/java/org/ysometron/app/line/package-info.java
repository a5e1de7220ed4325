/**
 * What do the instruments on the benches send, and which bench has which?
 *
 * <p>Main types: {@link org.ysometron.app.line.Lines}, {@link org.ysometron.app.line.Presses}, {@link org.ysometron.app.line.Streams}. What came is
 * kept once, whatever the connection does; what becomes of it is the bench's. Another way for instruments to reach the application is another
 * {@link org.ysometron.app.line.Driver}. Knows the register, and nothing of lots.
 */
@NullMarked
package org.ysometron.app.line;

import org.jspecify.annotations.NullMarked;
