using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class SignInsAndDoubles : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_recipe_drafts_KitchenId",
                table: "recipe_drafts");

            // Of several drafts of one recipe the newest stays its draft; the others stay as drafts of their own, so that nothing typed is lost.
            migrationBuilder.Sql(
                """
                UPDATE recipe_drafts AS d SET "Key" = ''
                WHERE d."Key" <> '' AND EXISTS (
                    SELECT 1 FROM recipe_drafts AS later
                    WHERE later."KitchenId" = d."KitchenId" AND later."Key" = d."Key" AND (later."SavedAt", later."Id") > (d."SavedAt", d."Id"));
                """);
            // Of several doughs of one recipe that flour goes into, only the last is still open.
            migrationBuilder.Sql(
                """
                UPDATE flour_tallies AS t SET "DoneAt" = t."StartedAt"
                WHERE t."DoneAt" IS NULL AND EXISTS (
                    SELECT 1 FROM flour_tallies AS later
                    WHERE later."KitchenId" = t."KitchenId" AND later."Key" = t."Key" AND later."DoneAt" IS NULL AND (later."StartedAt", later."Id") > (t."StartedAt", t."Id"));
                """);
            migrationBuilder.CreateTable(
                name: "sign_ins",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BakerId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<Instant>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_sign_ins", x => x.Id);
                    table.ForeignKey(
                        name: "FK_sign_ins_AspNetUsers_BakerId",
                        column: x => x.BakerId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_recipe_drafts_KitchenId_Key",
                table: "recipe_drafts",
                columns: new[] { "KitchenId", "Key" },
                unique: true,
                filter: "\"Key\" <> ''");

            migrationBuilder.CreateIndex(
                name: "IX_flour_tallies_KitchenId_Key",
                table: "flour_tallies",
                columns: new[] { "KitchenId", "Key" },
                unique: true,
                filter: "\"DoneAt\" IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_sign_ins_BakerId_At",
                table: "sign_ins",
                columns: new[] { "BakerId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "sign_ins");

            migrationBuilder.DropIndex(
                name: "IX_recipe_drafts_KitchenId_Key",
                table: "recipe_drafts");

            migrationBuilder.DropIndex(
                name: "IX_flour_tallies_KitchenId_Key",
                table: "flour_tallies");

            migrationBuilder.CreateIndex(
                name: "IX_recipe_drafts_KitchenId",
                table: "recipe_drafts",
                column: "KitchenId");
        }
    }
}
