package org.ysometron.app.plan;

import java.util.List;

/** What tests say of a setting of a recipe; answered by a later room, which knows the readings. */
public interface Checked {

    /** What the newest lots of a product say of a setting, a sentence each; none where nothing was tested. */
    List<String> of(long productId, RecipeField setting);
}
