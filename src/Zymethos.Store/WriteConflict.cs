using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Zymethos.Store;

/// <summary>Somebody else wrote first.</summary>
public static class WriteConflict
{
    /// <summary>Whether a write failed because its row was changed, made or taken away by another in the meantime.</summary>
    /// <param name="exception">What was thrown; null is no conflict.</param>
    public static bool Is(Exception? exception) =>
        exception
            is DbUpdateConcurrencyException
                or DbUpdateException
                {
                    InnerException: PostgresException
                    {
                        SqlState: PostgresErrorCodes.UniqueViolation or PostgresErrorCodes.ForeignKeyViolation
                    },
                };
}
