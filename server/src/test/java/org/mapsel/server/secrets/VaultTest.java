package org.mapsel.server.secrets;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VaultTest {

  private static final byte[] TEXT = "low-tide".getBytes(StandardCharsets.UTF_8);

  @TempDir private Path folder;

  @Test
  void whatIsLockedOpensOnlyWithItsKeyForItsOwnPurposeAndUnchanged() {
    Vault vault = new Vault(folder.resolve("key"));
    byte[] locked = vault.lock(TEXT, "gauge/Gauge");

    assertThat(new String(locked, StandardCharsets.ISO_8859_1)).doesNotContain("low-tide");
    assertThat(vault.lock(TEXT, "gauge/Gauge")).as("never twice the same").isNotEqualTo(locked);
    assertThat(new Vault(folder.resolve("key")).open(locked, "gauge/Gauge")).contains(TEXT);
    assertThat(vault.open(locked, "gauge/Other")).isEmpty();
    assertThat(new Vault(folder.resolve("other")).open(locked, "gauge/Gauge")).isEmpty();
    locked[locked.length - 1] ^= 1;
    assertThat(vault.open(locked, "gauge/Gauge")).isEmpty();
  }

  @Test
  void onlyTheOwnerMayReadTheKey() throws Exception {
    new Vault(folder.resolve("key")).lock(TEXT, "any");

    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(folder.resolve("key"))))
        .isEqualTo("rw-------");
  }
}
