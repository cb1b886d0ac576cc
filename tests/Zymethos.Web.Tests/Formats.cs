using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Larder;
using Zymethos.Interchange.Parcels;

namespace Zymethos.Web.Tests;

/// <summary>JSON Schemas of the open formats, made from the types that read and write them.</summary>
public static class Formats
{
    public static IEnumerable<(string File, JsonObject Schema)> Schemas()
    {
        yield return ("oven-day.schema.json", Of<OvenDayDocument>("Zymethos oven day, version 1"));
        yield return ("book.schema.json", Of<BookDocument>("Zymethos book, version 1"));
        yield return ("season.schema.json", Of<SeasonDocument>("Zymethos season, version 1"));
        yield return ("season-plan.schema.json", Of<SeasonPlanDocument>("Zymethos season plan, version 1"));
        yield return ("parcels.schema.json", Of<ParcelsDocument>("Zymethos Parcels, version 1"));
        yield return ("larder.schema.json", Of<LarderDocument>("Zymethos Larder, version 1"));
        yield return ("daybook.schema.json", Of<DaybookDocument>("Zymethos Daybook, version 1"));
        yield return ("kitchen.schema.json", Of<KitchenArchiveDocument>("Zymethos kitchen's archive, version 1"));
        yield return ("oven-plan.schema.json", Of<PlanDocument>("Zymethos oven plan, version 1"));
    }

    private static JsonObject Of<T>(string title)
    {
        // A Daybook holds whole days, which hold whole recipes.
        var schema = new JsonSerializerOptions(OpenJson.Options) { MaxDepth = 64 }
            .GetJsonSchemaAsNode(typeof(T), new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true })
            .AsObject();
        var result = new JsonObject { ["$schema"] = "https://json-schema.org/draft/2020-12/schema", ["title"] = title };
        foreach (var (key, value) in schema.ToList())
        {
            schema.Remove(key);
            result[key] = value;
        }

        return result;
    }
}
