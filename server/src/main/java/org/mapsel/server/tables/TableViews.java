package org.mapsel.server.tables;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.table.WrongCell;
import org.mapsel.server.web.FindingView;

/** What is told of offered tables. */
final class TableViews {

  private TableViews() {}

  /**
   * A file that was looked at.
   *
   * @param offer what may be offered of it, as it looks
   */
  record DraftView(String id, String file, List<SheetView> sheets, TableOffer offer) {}

  /**
   * A table of a file.
   *
   * @param header the number of the row that names the columns; 0 if there is none
   * @param first the first values of each column that is proposed, in their order
   */
  record SheetView(String sheet, long header, long rows, List<List<String>> first) {}

  /** What an offer would come to. */
  record OfferCheckView(List<FindingView> findings, List<WrongView> wrong, long wrongCells) {}

  /** A wrong cell. */
  record WrongView(String table, long row, String column, String text, String why) {
    static WrongView of(WrongCell cell) {
      return new WrongView(
          cell.table(), cell.row(), cell.column(), shortened(cell.text()), cell.why().words());
    }

    private static String shortened(String text) {
      return text.length() > 80 ? text.substring(0, 80) + "…" : text;
    }
  }

  /**
   * What is wished of a file.
   *
   * @param leaveOut whether rows with wrong cells are left out; otherwise nothing is done if there
   *     are any
   */
  record OfferRequest(TableOffer offer, boolean keyed, boolean leaveOut) {
    OfferRequest {
      Objects.requireNonNull(offer);
    }
  }

  /** What is to be looked at before a file is loaded. */
  record OfferCheckRequest(TableOffer offer) {
    OfferCheckRequest {
      Objects.requireNonNull(offer);
    }
  }

  /**
   * Rows on their way into the workspace.
   *
   * @param state RUNNING, DONE, WRONG if wrong cells stopped it, STOPPED or FAILED
   * @param offered the id of the offer, once it is done
   * @param differences where rows come in place of others, what differs; taken only when it is said
   */
  record LoadView(
      String id,
      LoadState state,
      long rows,
      long wrongCells,
      List<WrongView> wrong,
      @Nullable String offered,
      List<RowsDifference> differences,
      List<FindingView> findings) {}

  /** How far rows are. */
  enum LoadState {
    RUNNING,
    DONE,
    WRONG,
    STOPPED,
    FAILED
  }

  /**
   * How the rows of a table differ from those that are to come.
   *
   * @param renamed columns that look to be called otherwise in the new file, and are followed
   * @param dropped columns that the new file has no more
   * @param retyped columns whose cells look to hold something else
   * @param more columns of the new file that are not offered
   */
  record RowsDifference(
      String table,
      long added,
      long changed,
      long gone,
      List<RenamedColumn> renamed,
      List<String> dropped,
      List<RetypedColumn> retyped,
      List<String> more) {}

  /**
   * A column that is called otherwise.
   *
   * @param why it looks to be the same, in words
   */
  record RenamedColumn(String column, String header, String why) {}

  /** A column whose cells look to be of another type than it is offered with. */
  record RetypedColumn(String column, String before, String after) {}

  /** An offer in the list of them. */
  record OfferBrief(String id, String name, List<String> tables, boolean paused, boolean keyed) {}

  /**
   * An offer.
   *
   * @param addresses where it is described and how it is asked for, to be copied
   * @param service the service that was taken from it, if it was
   */
  record OfferedView(
      String id,
      TableOffer offer,
      List<TableCount> rows,
      List<OfferAddress> addresses,
      boolean keyed,
      boolean paused,
      int perMinute,
      List<ClientView> clients,
      @Nullable String service,
      List<String> usedBy) {}

  /** How many rows a table has. */
  record TableCount(String table, long rows) {}

  /**
   * An address of an offer.
   *
   * @param what is found there
   * @param command to ask for it from a terminal
   */
  record OfferAddress(String what, String address, String command) {}

  /** Somebody who may ask. */
  record ClientView(String id, String name, OffsetDateTime madeAt) {}

  /** Somebody new who may ask, with the key that is told only now. */
  record NewClientView(ClientView client, String key) {}

  record NewClientRequest(String name) {
    NewClientRequest {
      Objects.requireNonNull(name);
    }
  }

  /** How an offer is given. */
  record OfferSettings(boolean keyed, boolean paused, int perMinute) {}

  /** A request that was answered. */
  record OfferedRequestView(
      OffsetDateTime at, @Nullable String client, String operation, int status, long tookMillis) {}
}
