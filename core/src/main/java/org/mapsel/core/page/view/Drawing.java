package org.mapsel.core.page.view;

import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.PageState;

/**
 * What is drawn from.
 *
 * @param building whether for somebody who builds the page, and sees also what is hidden
 */
record Drawing(PagePlan plan, PageState state, Scope scope, Formats formats, boolean building) {}
