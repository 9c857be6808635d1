package org.mapsel.e2e;

import com.microsoft.playwright.Page;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds pages of apps by the names that people gave them. */
final class Pages {

  private Pages() {}

  static String idOf(Page browser, String address, String app, String name) {
    String answer = browser.request().get(address + "/api/apps/" + app).text();
    Matcher found =
        Pattern.compile("\\{\"id\":\"([^\"]+)\",\"name\":\"" + Pattern.quote(name) + "\",")
            .matcher(answer);
    if (!found.find()) {
      throw new AssertionError("There is no page " + name + " in " + answer);
    }
    return found.group(1);
  }
}
