using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class OneSearchADay : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // Of several that go on for one day the newest goes on; the others are asked to stop.
            migrationBuilder.Sql(
                """
                UPDATE long_searches AS s SET "StopAsked" = true
                WHERE s."State" IN ('Waiting', 'Running') AND NOT s."StopAsked" AND EXISTS (
                    SELECT 1 FROM long_searches AS later
                    WHERE later."KitchenId" = s."KitchenId" AND later."Date" = s."Date" AND later."State" IN ('Waiting', 'Running') AND NOT later."StopAsked"
                      AND (later."AskedAt", later."Id") > (s."AskedAt", s."Id"));
                """);
            migrationBuilder.CreateIndex(
                name: "IX_long_searches_KitchenId_Date",
                table: "long_searches",
                columns: new[] { "KitchenId", "Date" },
                unique: true,
                filter: "\"State\" IN ('Waiting', 'Running') AND NOT \"StopAsked\"");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_long_searches_KitchenId_Date",
                table: "long_searches");
        }
    }
}
