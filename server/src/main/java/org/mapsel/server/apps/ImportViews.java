package org.mapsel.server.apps;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.server.apps.AppViews.PageBrief;
import tools.jackson.databind.JsonNode;

/** What the API says about apps that come as files. */
final class ImportViews {

  private ImportViews() {}

  /** What a file would bring. */
  record ImportView(String name, List<PageBrief> pages, List<ImportedService> services) {}

  /** Where a service of a file comes from. */
  enum ImportState {
    /** The workspace has the very edition. */
    HERE,
    /** The file brings the description. */
    INCLUDED,
    /** Somebody has to say which service it is. */
    MISSING
  }

  /**
   * A service that a file needs.
   *
   * @param here the service of the workspace that it is
   */
  record ImportedService(
      String service, String name, String source, ImportState state, @Nullable String here) {}

  /**
   * A file to be taken.
   *
   * @param services services of the workspace to use for those of the file, by the file's ids
   */
  record ImportRequest(JsonNode file, Map<String, String> services) {
    ImportRequest {
      Objects.requireNonNull(file);
      services = Map.copyOf(services);
    }
  }
}
