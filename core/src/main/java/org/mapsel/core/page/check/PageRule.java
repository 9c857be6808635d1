package org.mapsel.core.page.check;

import java.util.List;

/** Something that can be wrong with a page. */
interface PageRule {

  List<AppFinding> check(PageUnderCheck page);

  /** Whether it looks at what was answered last, and so is asked again after every answer. */
  default boolean looksAtAnswers() {
    return false;
  }
}
