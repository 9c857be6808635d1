package org.mapsel.server.apps;

import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import org.mapsel.server.web.Problem;
import tools.jackson.databind.json.JsonMapper;

/** Apps as they stand in a column. */
final class AppContent {

  private AppContent() {}

  static String write(App app) {
    return AppFile.write(app).toString();
  }

  static App read(JsonMapper json, String content) {
    Outcome<App> read = AppFile.read(json.readTree(content));
    return read.value().orElseThrow(() -> Problem.refused(read.findings()));
  }
}
