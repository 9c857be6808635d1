package org.mapsel.core.page;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** One change that a person makes to an app. Each is one step of undo. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = AppEdit.RenameApp.class, name = "renameApp"),
  @JsonSubTypes.Type(value = AppEdit.AddPage.class, name = "addPage"),
  @JsonSubTypes.Type(value = AppEdit.AddOperation.class, name = "addOperation"),
  @JsonSubTypes.Type(value = AppEdit.RenamePage.class, name = "renamePage"),
  @JsonSubTypes.Type(value = AppEdit.RemovePage.class, name = "removePage"),
  @JsonSubTypes.Type(value = AppEdit.UseField.class, name = "useField"),
  @JsonSubTypes.Type(value = AppEdit.FillParameter.class, name = "fillParameter"),
  @JsonSubTypes.Type(value = AppEdit.Relabel.class, name = "relabel"),
  @JsonSubTypes.Type(value = AppEdit.MoveItem.class, name = "moveItem"),
  @JsonSubTypes.Type(value = AppEdit.MovePart.class, name = "movePart"),
  @JsonSubTypes.Type(value = AppEdit.RemovePart.class, name = "removePart"),
  @JsonSubTypes.Type(value = AppEdit.AddText.class, name = "addText"),
  @JsonSubTypes.Type(value = AppEdit.CallOnOpening.class, name = "callOnOpening")
})
public sealed interface AppEdit {

  /** Gives the app another name. */
  record RenameApp(String name) implements AppEdit {}

  /**
   * Adds a page that starts from an operation.
   *
   * @param edition the edition to use if the app does not use the service yet
   * @param fields the returned fields to show; none picks some
   */
  record AddPage(
      String service,
      String edition,
      OperationId operation,
      EndpointId endpoint,
      List<FieldPath> fields)
      implements AppEdit {
    public AddPage {
      fields = List.copyOf(fields);
    }
  }

  /** Adds another operation, perhaps of another service, below what is on a page. */
  record AddOperation(
      PageId page,
      String service,
      String edition,
      OperationId operation,
      EndpointId endpoint,
      List<FieldPath> fields)
      implements AppEdit {
    public AddOperation {
      fields = List.copyOf(fields);
    }
  }

  /** Gives a page another name. */
  record RenamePage(PageId page, String name) implements AppEdit {}

  /** Removes a page. */
  record RemovePage(PageId page) implements AppEdit {}

  /** Shows a returned field on the page, or no longer. */
  record UseField(PageId page, CallId call, FieldPath path, boolean used) implements AppEdit {}

  /**
   * Says where a parameter is filled from.
   *
   * @param source an entered source with any id makes an input for it; none leaves it out
   */
  record FillParameter(PageId page, CallId call, FieldPath path, Optional<Source> source)
      implements AppEdit {}

  /** Changes the words on a part, or on an input, column or field of it. */
  record Relabel(PageId page, PartId part, Optional<PartId> item, String label)
      implements AppEdit {}

  /** Moves an input, column or field within its part, by so many places. */
  record MoveItem(PageId page, PartId part, PartId item, int by) implements AppEdit {}

  /** Moves a part up or down the page, by so many places. */
  record MovePart(PageId page, PartId part, int by) implements AppEdit {}

  /** Takes a part off the page, with every mapping to and from it. */
  record RemovePart(PageId page, PartId part) implements AppEdit {}

  /** Adds words at the top of the page. */
  record AddText(PageId page, String text) implements AppEdit {}

  /** Makes a call also when the page is opened, or no longer. */
  record CallOnOpening(PageId page, CallId call, boolean made) implements AppEdit {}

  /** What it does, for the list of revisions. */
  default String title() {
    return switch (this) {
      case RenameApp edit -> "Rename the app to " + edit.name();
      case AddPage edit -> "Make a page from " + edit.operation();
      case AddOperation edit -> "Add " + edit.operation() + " to a page";
      case RenamePage edit -> "Rename a page to " + edit.name();
      case RemovePage edit -> "Remove a page";
      case UseField edit -> (edit.used() ? "Show " : "No longer show ") + edit.path();
      case FillParameter edit -> "Fill " + edit.path();
      case Relabel edit -> "Relabel to " + edit.label();
      case MoveItem edit -> "Move " + edit.item();
      case MovePart edit -> "Move a part";
      case RemovePart edit -> "Remove a part";
      case AddText edit -> "Add a text";
      case CallOnOpening edit ->
          edit.made() ? "Call when the page is opened" : "No longer call when the page is opened";
    };
  }
}
