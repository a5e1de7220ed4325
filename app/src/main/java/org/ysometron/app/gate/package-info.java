/**
 * May this lot leave, who said so, and what exactly did they see?
 *
 * <p>Main types: {@link org.ysometron.app.gate.Decisions}. The last room: reads all the others, is read by none.
 */
@NullMarked
package org.ysometron.app.gate;

import org.jspecify.annotations.NullMarked;
