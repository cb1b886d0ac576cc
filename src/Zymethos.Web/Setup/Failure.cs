using Npgsql;
using Zymethos.Store;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Setup;

/// <summary>What an exception means to whoever asked: a status and a sentence.</summary>
/// <param name="Status">HTTP status, 400 to 599.</param>
/// <param name="Heading">What happened, in a few words.</param>
/// <param name="Words">What to do about it.</param>
/// <param name="RetryAfter">After how many seconds it is worth trying again; null where it is not said.</param>
public sealed record Failure(int Status, string Heading, string Words, int? RetryAfter = null)
{
    /// <summary>The meaning of an exception; null is a failure of the server's own.</summary>
    public static Failure Of(Exception? exception) =>
        exception switch
        {
            BadHttpRequestException bad => new(
                bad.StatusCode,
                "That did not arrive whole",
                "What was sent could not be taken. Nothing was changed; load the page again and send it once more."
            ),
            UnreadableDocumentException => new(
                StatusCodes.Status400BadRequest,
                "Something was missing",
                "What was sent was not whole, so nothing was changed. Load the page again and send it once more."
            ),
            _ when WriteConflict.Is(exception) => new(
                StatusCodes.Status409Conflict,
                "Somebody was quicker",
                "This was changed a moment ago from another place, so nothing of yours was kept. Open it again, look at theirs, and "
                    + "do yours anew."
            ),
            QueueFullException => new(
                StatusCodes.Status503ServiceUnavailable,
                "Too many are planning",
                "The kitchen is full of people who plan just now. Nothing was changed; try again in half a minute.",
                30
            ),
            _ when Postgres(exception) is { } refused
                    && refused.SqlState is PostgresErrorCodes.CharacterNotInRepertoire or PostgresErrorCodes.UntranslatableCharacter => new(
                StatusCodes.Status400BadRequest,
                "A sign that cannot be kept",
                "There is an invisible sign in what was sent that cannot be kept. Nothing was changed; type it anew."
            ),
            NpgsqlException or { InnerException: NpgsqlException } => new(
                StatusCodes.Status503ServiceUnavailable,
                "The database does not answer",
                "The database does not answer at the moment. Wait a little and try again.",
                5
            ),
            _ => new(StatusCodes.Status500InternalServerError, "Something burnt", "The server failed at something it should have managed."),
        };

    private static PostgresException? Postgres(Exception? exception) =>
        exception as PostgresException ?? exception?.InnerException as PostgresException;
}
