package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What can stand in what on a page: groups two deep, and buttons in rows. */
public final class Nesting {

  /** A group in a group is as deep as anybody still finds things. */
  private static final int DEEPEST = 2;

  private Nesting() {}

  /** Whether a part can stand in another one. */
  public static boolean fits(Page page, Part part, Part around) {
    return switch (around) {
      case Part.Group group ->
          !part.id().equals(group.id())
              && (!(part instanceof Part.Group)
                  || groupsAround(page, group).isEmpty() && !holdsGroups(page, part));
      case Part.Table table -> part instanceof Part.Button;
      case Part.Cards cards -> part instanceof Part.Button;
      default -> false;
    };
  }

  private static boolean holdsGroups(Page page, Part part) {
    return page.parts().stream()
        .anyMatch(
            other ->
                other instanceof Part.Group
                    && other.frame().within().filter(part.id()::equals).isPresent());
  }

  /** The groups around a part, the nearest first. */
  public static List<Part> groupsAround(Page page, Part part) {
    List<Part> around = new ArrayList<>();
    Optional<Part> next = page.groupAround(part);
    while (next.isPresent() && around.size() < DEEPEST) {
      around.add(next.get());
      next = page.groupAround(next.get());
    }
    return around;
  }
}
