/**
 * What do the records of load by way show: how is a file written, whose is each record, where on it was each point found, and which analysis
 * counts?
 *
 * <p>Main types: {@link org.ysometron.app.curve.Uploads}, {@link org.ysometron.app.curve.Records}. The points are found in the core; what they come
 * to are readings of the bench. Knows nothing of claims and verdicts.
 */
@NullMarked
package org.ysometron.app.curve;

import org.jspecify.annotations.NullMarked;
