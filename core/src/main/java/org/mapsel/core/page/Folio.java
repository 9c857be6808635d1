package org.mapsel.core.page;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/**
 * The page on which visitors begin, like the index of a chart folio: sections with entries, which
 * are numbered through as they are drawn.
 */
public record Folio(List<Section> sections) {

  /** Nothing was arranged. */
  public static final Folio EMPTY = new Folio(List.of());

  public Folio {
    sections = List.copyOf(sections);
  }

  /** Entries under one title. */
  public record Section(String title, List<Entry> entries) {
    public Section {
      entries = List.copyOf(entries);
    }
  }

  /**
   * A way to a page.
   *
   * @param app the app that the page is of; empty for the one whose start page this is
   * @param page the page; empty for the start page of that app
   * @param line what it is for, in one line
   */
  public record Entry(String app, String page, String name, String line, Optional<Figure> figure) {

    /** The same on a start page that is not that of its app. */
    public Entry of(String other) {
      return new Entry(other, page, name, line, figure);
    }
  }

  /**
   * Something live beside an entry: what a part says when the page has just been opened, which is
   * the words of a text, the first field of a record or the number of rows.
   *
   * @param words what stands behind it, as in "24 due today"
   */
  public record Figure(PartId part, String words) {}

  /** The folio without the entries that lead to a page. */
  public Folio without(PageId page) {
    return new Folio(
        sections.stream()
            .map(
                section ->
                    new Section(
                        section.title(),
                        section.entries().stream()
                            .filter(
                                entry ->
                                    !(entry.app().isEmpty() && entry.page().equals(page.text())))
                            .toList()))
            .toList());
  }

  /** All entries from top to bottom. */
  public List<Entry> entries() {
    return sections.stream().flatMap(section -> section.entries().stream()).toList();
  }
}
