using System.Text.RegularExpressions;

namespace Zymethos.Interchange.Texts.Sentences;

/// <summary>
/// Reads once more where a pattern gave up. Patterns give up after nine tenths of a second by the clock on the wall; on a machine that
/// stands still for a moment that says nothing of the text.
/// </summary>
internal static class PatientReading
{
    private const int Tries = 3;

    /// <summary>What a reading gives.</summary>
    /// <exception cref="RegexMatchTimeoutException">It gave up three times: the text is at fault.</exception>
    public static T Of<T>(Func<T> read)
    {
        for (var attempt = 1; ; attempt++)
        {
            try
            {
                return read();
            }
            catch (RegexMatchTimeoutException) when (attempt < Tries)
            {
                // Once more.
            }
        }
    }
}
