/**
 * What can a plan of so many specimens show, before any is made?
 *
 * <p>Main types: {@link org.ysometron.app.plan.History}. Knows nothing of readings: how lots scatter is told by a later room
 * through {@link org.ysometron.app.plan.History}.
 */
@NullMarked
package org.ysometron.app.plan;

import org.jspecify.annotations.NullMarked;
