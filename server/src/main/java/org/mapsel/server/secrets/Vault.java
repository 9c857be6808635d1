package org.mapsel.server.secrets;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Optional;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.digest.HmacAlgorithms;
import org.apache.commons.codec.digest.HmacUtils;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Encrypts with AES-256 in Galois/Counter mode (NIST SP 800-38D). The key is a file of its own,
 * made when it is needed first; whoever has only the database can read nothing.
 */
@Component
class Vault {

  private static final int KEY_BYTES = 32;
  private static final int NONCE_BYTES = 12;
  private static final int TAG_BITS = 128;

  private final Path keyFile;
  private final SecureRandom random = new SecureRandom();

  Vault(@Value("${mapsel.secrets.key-file}") Path keyFile) {
    this.keyFile = keyFile;
  }

  private byte[] key() throws IOException {
    if (!Files.exists(keyFile)) {
      byte[] made = new byte[KEY_BYTES];
      random.nextBytes(made);
      Path folder = keyFile.toAbsolutePath().getParent();
      Files.createDirectories(folder);
      try {
        Files.createFile(
            keyFile,
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.write(keyFile, made, StandardOpenOption.TRUNCATE_EXISTING, StandardOpenOption.SYNC);
      } catch (FileAlreadyExistsException e) {
        // Another server on the same folder was quicker; its key is as good.
      }
    }
    byte[] key = Files.readAllBytes(keyFile);
    if (key.length != KEY_BYTES) {
      throw new IllegalStateException("The key file " + keyFile + " does not hold 32 bytes.");
    }
    return key;
  }

  /**
   * @param about what the text belongs to; it opens for nothing else
   */
  byte[] lock(byte[] text, String about) {
    byte[] nonce = new byte[NONCE_BYTES];
    random.nextBytes(nonce);
    try {
      byte[] locked = cipher(Cipher.ENCRYPT_MODE, nonce, about).doFinal(text);
      byte[] both = Arrays.copyOf(nonce, NONCE_BYTES + locked.length);
      System.arraycopy(locked, 0, both, NONCE_BYTES, locked.length);
      return both;
    } catch (GeneralSecurityException | IOException e) {
      throw new IllegalStateException("Credentials cannot be encrypted.", e);
    }
  }

  /** Empty if the key has changed or the bytes have. */
  Optional<byte[]> open(byte[] locked, String about) {
    try {
      byte[] nonce = Arrays.copyOf(locked, NONCE_BYTES);
      return Optional.of(
          cipher(Cipher.DECRYPT_MODE, nonce, about)
              .doFinal(locked, NONCE_BYTES, locked.length - NONCE_BYTES));
    } catch (GeneralSecurityException e) {
      return Optional.empty();
    } catch (IOException e) {
      throw new IllegalStateException("The key of the credentials cannot be read.", e);
    }
  }

  /** A hash that cannot be tried out without the key: what is made of secrets is found by it. */
  String hash(String text) {
    try {
      return new HmacUtils(HmacAlgorithms.HMAC_SHA_256, key()).hmacHex(text);
    } catch (IOException e) {
      throw new IllegalStateException("The key of the credentials cannot be read.", e);
    }
  }

  private Cipher cipher(int mode, byte[] nonce, String about)
      throws GeneralSecurityException, IOException {
    Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
    cipher.init(mode, new SecretKeySpec(key(), "AES"), new GCMParameterSpec(TAG_BITS, nonce));
    cipher.updateAAD(about.getBytes(StandardCharsets.UTF_8));
    return cipher;
  }
}
