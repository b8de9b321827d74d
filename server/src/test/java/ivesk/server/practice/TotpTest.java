package ivesk.server.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Against the tables of the RFCs, from memory: RFC 6238 appendix B for SHA-1, its last six digits;
/// RFC 4226 appendix D; RFC 4648 section 10.
class TotpTest {
  private static final byte[] KEY = "12345678901234567890".getBytes(StandardCharsets.US_ASCII);

  @ParameterizedTest
  @CsvSource({
    "59, 287082",
    "1111111109, 081804",
    "1111111111, 050471",
    "1234567890, 005924",
    "2000000000, 279037"
  })
  void codesOfRfc6238(long seconds, String code) {
    assertThat(Totp.code(KEY, seconds / 30)).isEqualTo(code);
    assertThat(Totp.step(KEY, code, Instant.ofEpochSecond(seconds))).hasValue(seconds / 30);
    assertThat(Totp.step(KEY, code, Instant.ofEpochSecond(seconds + 30))).hasValue(seconds / 30);
    assertThat(Totp.step(KEY, code, Instant.ofEpochSecond(seconds + 90))).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"0, 755224", "1, 287082", "5, 254676", "9, 520489"})
  void codesOfRfc4226(long count, String code) {
    assertThat(Totp.code(KEY, count)).isEqualTo(code);
  }

  @ParameterizedTest
  @CsvSource({
    "f, MY",
    "fo, MZXQ",
    "foo, MZXW6",
    "foob, MZXW6YQ",
    "fooba, MZXW6YTB",
    "foobar, MZXW6YTBOI"
  })
  void base32OfRfc4648(String words, String coded) {
    assertThat(Totp.base32(words.getBytes(StandardCharsets.US_ASCII))).isEqualTo(coded);
    assertThat(new String(Totp.bytes(coded), StandardCharsets.US_ASCII)).isEqualTo(words);
  }

  @Test
  void theAddressNamesThePracticeAndThePerson() {
    assertThat(Totp.uri("Two Rooms", "ines", "ABC"))
        .isEqualTo("otpauth://totp/Two%20Rooms%3Aines?secret=ABC&issuer=Two%20Rooms");
  }
}
