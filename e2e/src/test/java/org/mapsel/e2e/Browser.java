package org.mapsel.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/**
 * Debian's Chromium without windows, which loads pages in two thirds of the time. Every page that
 * is opened has a profile of its own.
 */
final class Browser implements AutoCloseable {

  private static final Path CHROMIUM = Path.of("/usr/bin/chromium-headless-shell");
  private static final double TIMEOUT = 40_000;

  private final Playwright playwright;
  private final com.microsoft.playwright.Browser browser;

  Browser() {
    if (!Files.exists(CHROMIUM)) {
      throw new IllegalStateException(
          "Chromium is missing; ./mapsel test installs it, or: apt-get install"
              + " chromium-headless-shell");
    }
    // Two cores run the product, its services and the browser at once, and may be shared with
    // others.
    PlaywrightAssertions.setDefaultAssertionTimeout(TIMEOUT);
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(CHROMIUM)
                    .setArgs(
                        List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync",
                            "--lang=en-GB")));
  }

  Page open(int width, int height) {
    BrowserContext context =
        browser.newContext(
            new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setReducedMotion(com.microsoft.playwright.options.ReducedMotion.REDUCE)
                .setLocale("en-GB")
                // Certificates of tests are signed by nobody.
                .setIgnoreHTTPSErrors(true));
    Page page = context.newPage();
    page.setDefaultTimeout(TIMEOUT);
    return page;
  }

  @Override
  public void close() {
    browser.close();
    playwright.close();
  }
}
