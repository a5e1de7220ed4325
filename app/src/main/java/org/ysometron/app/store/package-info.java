/**
 * How is something written so that two people at once lose nothing, and how is it known that something derived is old?
 *
 * <p>Main types: {@link org.ysometron.app.store.Write}, {@link org.ysometron.app.store.Revisions}. Knows no slice.
 */
@NullMarked
package org.ysometron.app.store;

import org.jspecify.annotations.NullMarked;
