package org.mapsel.core.page.view;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.run.Conflicts;
import org.mapsel.core.ref.PartId;

/**
 * A page as it is drawn.
 *
 * @param frames how parts stand on it, as far as that is not as usual
 * @param asking what the visitor is asked, before anything further happens
 * @param every after how many seconds, each, the page wants to hear that they have passed
 */
public record PageView(
    String name,
    List<PartView> parts,
    List<FrameView> frames,
    List<MessageView> messages,
    Optional<AskingView> asking,
    List<Integer> every) {

  public PageView {
    parts = List.copyOf(parts);
    frames = List.copyOf(frames);
    messages = List.copyOf(messages);
    every = List.copyOf(every);
  }

  /**
   * How a part stands on the page.
   *
   * @param within the group that it stands in
   * @param hidden whether visitors do not see it just now; only builders are told of such parts
   */
  public record FrameView(
      PartId part,
      Frame.Width width,
      Frame.StateWords words,
      boolean hidden,
      Optional<PartId> within) {}

  /**
   * What the visitor is asked.
   *
   * @param conflict whether which of two states is kept: yes keeps what was typed
   * @param differences where they differ
   */
  public record AskingView(String words, boolean conflict, List<Conflicts.Difference> differences) {
    public AskingView {
      differences = List.copyOf(differences);
    }
  }

  /** Something to say to the visitor. */
  public record MessageView(boolean failed, String text) {}
}
