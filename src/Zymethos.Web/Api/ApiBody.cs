using Zymethos.Interchange.Documents;

namespace Zymethos.Web.Api;

/// <summary>Reads the body of a call: bounded, strict, with problem details for whatever is wrong.</summary>
internal static class ApiBody
{
    /// <summary>The document, or the problem to answer with. Exactly one is not null.</summary>
    public static async Task<(T? Document, IResult? Problem)> ReadAsync<T>(HttpRequest request, CancellationToken cancel)
        where T : class
    {
        if (await BytesAsync(request, ApiLimits.LargestBody, cancel) is not { } body)
            return (
                null,
                Problems.Make(
                    StatusCodes.Status413PayloadTooLarge,
                    "too-large",
                    "The document is too large.",
                    $"At most {ApiLimits.LargestBody / 1000} kB are read."
                )
            );
        var (document, fault) = OpenJson.Read<T>(body);
        return fault is null
            ? (document, null)
            : (
                null,
                Problems.Make(
                    StatusCodes.Status400BadRequest,
                    "unreadable-document",
                    "The document cannot be read.",
                    fault.Message,
                    new Dictionary<string, object?> { ["errors"] = new[] { new { path = fault.Path, message = fault.Message } } }
                )
            );
    }

    /// <summary>The body, or null when it is larger than allowed. Never holds more than the limit.</summary>
    /// <param name="request">The call.</param>
    /// <param name="most">Most bytes.</param>
    /// <param name="cancel">Stops.</param>
    public static async Task<byte[]?> BytesAsync(HttpRequest request, int most, CancellationToken cancel)
    {
        if (request.ContentLength > most)
            return null;
        using var copy = new MemoryStream();
        var buffer = new byte[81920];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, cancel)) > 0)
        {
            if (copy.Length + read > most)
                return null;
            copy.Write(buffer, 0, read);
        }

        return copy.ToArray();
    }
}
