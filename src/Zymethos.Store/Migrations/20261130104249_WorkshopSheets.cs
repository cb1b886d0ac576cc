using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class WorkshopSheets : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "workshop_sheets",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Recipe = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    Address = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false),
                    Title = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    Says = table.Column<string>(type: "character varying(400)", maxLength: 400, nullable: false),
                    KeptAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_workshop_sheets", x => x.Id);
                    table.ForeignKey(
                        name: "FK_workshop_sheets_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_workshop_sheets_KitchenId_Recipe",
                table: "workshop_sheets",
                columns: new[] { "KitchenId", "Recipe" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "workshop_sheets");
        }
    }
}
