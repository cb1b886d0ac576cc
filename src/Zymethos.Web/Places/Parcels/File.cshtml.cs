using Microsoft.AspNetCore.Mvc;
using Zymethos.Core.Recipes;
using Zymethos.Web.Setup;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>Parcels taken along, and brought in.</summary>
[RequestSizeLimit(MostForm)]
[RequestFormLimits(MultipartBodyLengthLimit = MostForm)]
public sealed class FileModel(ParcelFile parcels) : BringFileModel("/parcels/people")
{
    /// <inheritdoc />
    protected override Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(
        ReadOnlyMemory<byte> json,
        CancellationToken cancel
    ) => parcels.BringInAsync(json, cancel);
}
