package org.mapsel.core.page.check;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.ref.PageId;

/**
 * Something to say about an app, and edits that would mend it.
 *
 * @param page the page that it is about; nothing if it is about the model
 */
public record AppFinding(Finding finding, Optional<PageId> page, List<Repair> repairs) {

  /** An edit that mends something, in words for a button. */
  public record Repair(String words, AppEdit edit) {}

  public AppFinding {
    repairs = List.copyOf(repairs);
  }
}
