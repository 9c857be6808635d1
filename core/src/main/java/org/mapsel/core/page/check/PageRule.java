package org.mapsel.core.page.check;

import java.util.List;

/** Something that can be wrong with a page. */
interface PageRule {

  List<AppFinding> check(PageUnderCheck page);
}
