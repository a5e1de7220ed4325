/**
 * What can a plan show, when can it be done, and do places or rigs make a difference?
 *
 * <p>Main types: {@link org.ysometron.core.plan.Power}, {@link org.ysometron.core.plan.Schedule}, {@link
 * org.ysometron.core.plan.PlaceEffect}, {@link org.ysometron.core.plan.Bridging}. Judges no claim: that is the claim
 * package's.
 */
@NullMarked
package org.ysometron.core.plan;

import org.jspecify.annotations.NullMarked;
