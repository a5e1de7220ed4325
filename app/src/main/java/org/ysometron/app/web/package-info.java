/**
 * What do all pages share? Errors with their status, fragments, what stands in the head of every page.
 *
 * <p>Main types: {@link org.ysometron.app.web.Refusal}, {@link org.ysometron.app.web.NotFound}. Knows no slice.
 */
@NullMarked
package org.ysometron.app.web;

import org.jspecify.annotations.NullMarked;
