using Microsoft.AspNetCore.Mvc;
using Zymethos.Core.Recipes;
using Zymethos.Web.Setup;
using Zymethos.Work.Larder;

namespace Zymethos.Web.Places.Larder;

/// <summary>The larder taken along, and brought in.</summary>
[RequestSizeLimit(MostForm)]
[RequestFormLimits(MultipartBodyLengthLimit = MostForm)]
public sealed class FileModel(LarderFile larder) : BringFileModel("/larder")
{
    /// <inheritdoc />
    protected override Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(
        ReadOnlyMemory<byte> json,
        CancellationToken cancel
    ) => larder.BringInAsync(json, cancel);
}
