/**
 * What arrived at the bench: samples measured, the filament's diameter along its length, the resin's cure, the state of the
 * material, the artefact's sizes?
 *
 * <p>Main types: {@link org.ysometron.app.intake.Intake}, {@link org.ysometron.app.intake.MaterialStates}. Knows nothing of
 * specimens' strengths or claims' verdicts.
 */
@NullMarked
package org.ysometron.app.intake;

import org.jspecify.annotations.NullMarked;
