package ivesk.core;

/// Where a rule or a number comes from. Every rule carries one; the user sees it behind "why".
///
/// @param mark how firm the ground is
/// @param citation author and year for published values, else empty
public record Source(Mark mark, String citation) {
  public enum Mark {
    /// Published; the value was written down from memory.
    PUBLISHED,
    /// Common practice of the trade, no source.
    COMMON_PRACTICE,
    /// Ivesk's own default where practice varies.
    OWN_DEFAULT
  }

  public static final Source COMMON_PRACTICE = new Source(Mark.COMMON_PRACTICE, "");
  public static final Source OWN_DEFAULT = new Source(Mark.OWN_DEFAULT, "");

  public static Source published(String citation) {
    return new Source(Mark.PUBLISHED, citation);
  }

  /// The source in a few words, as shown to the therapist.
  public String words() {
    return switch (mark) {
      case PUBLISHED -> citation + ", value from memory";
      case COMMON_PRACTICE ->
          citation.isEmpty() ? "common practice, no source" : "common practice; " + citation;
      case OWN_DEFAULT -> "Ivesk's own default";
    };
  }
}
