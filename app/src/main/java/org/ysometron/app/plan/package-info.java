/**
 * Which specimens of a lot are tested, by which method and recipe, when, and what can so many of them show?
 *
 * <p>Main types: {@link org.ysometron.app.plan.Plans}, {@link org.ysometron.app.plan.Calendar}, {@link
 * org.ysometron.app.plan.Recipes}, {@link org.ysometron.app.plan.SiteMethods}. Knows nothing of readings: how lots scatter and
 * how far they are is told by later rooms through {@link org.ysometron.app.plan.History} and {@link
 * org.ysometron.app.plan.Progress}.
 */
@NullMarked
package org.ysometron.app.plan;

import org.jspecify.annotations.NullMarked;
