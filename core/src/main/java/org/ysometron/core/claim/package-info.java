/**
 * Does the evidence bear the claim? Claim forms, comparability, verdicts.
 *
 * <p>Main types: {@link org.ysometron.core.claim.Verification}, {@link org.ysometron.core.claim.Judgement}, {@link
 * org.ysometron.core.claim.Conditions}. Knows nothing of charts or of releases.
 */
@NullMarked
package org.ysometron.core.claim;

import org.jspecify.annotations.NullMarked;
