using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class Books : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "flour_tallies",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Key = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    StartedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    DoneAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    PlannedGrams = table.Column<double>(type: "double precision", nullable: false),
                    InGrams = table.Column<double>(type: "double precision", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_flour_tallies", x => x.Id);
                    table.ForeignKey(
                        name: "FK_flour_tallies_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "ingredients",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ingredients", x => x.Id);
                    table.ForeignKey(
                        name: "FK_ingredients_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "recipe_drafts",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Key = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    Draft = table.Column<string>(type: "jsonb", nullable: false),
                    SavedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_recipe_drafts", x => x.Id);
                    table.ForeignKey(
                        name: "FK_recipe_drafts_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "recipe_versions",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Key = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    Number = table.Column<int>(type: "integer", nullable: false),
                    SavedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    Note = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_recipe_versions", x => x.Id);
                    table.ForeignKey(
                        name: "FK_recipe_versions_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_flour_tallies_KitchenId_Key_StartedAt",
                table: "flour_tallies",
                columns: new[] { "KitchenId", "Key", "StartedAt" });

            migrationBuilder.CreateIndex(
                name: "IX_ingredients_KitchenId_Name",
                table: "ingredients",
                columns: new[] { "KitchenId", "Name" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_recipe_drafts_KitchenId",
                table: "recipe_drafts",
                column: "KitchenId");

            migrationBuilder.CreateIndex(
                name: "IX_recipe_versions_KitchenId_Key_Number",
                table: "recipe_versions",
                columns: new[] { "KitchenId", "Key", "Number" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "flour_tallies");

            migrationBuilder.DropTable(
                name: "ingredients");

            migrationBuilder.DropTable(
                name: "recipe_drafts");

            migrationBuilder.DropTable(
                name: "recipe_versions");
        }
    }
}
