using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class LongSearches : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "long_searches",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Date = table.Column<LocalDate>(type: "date", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false),
                    Seconds = table.Column<double>(type: "double precision", nullable: false),
                    State = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false),
                    StopAsked = table.Column<bool>(type: "boolean", nullable: false),
                    Worker = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    Attempts = table.Column<int>(type: "integer", nullable: false),
                    AskedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    StartedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    EndedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    Finish = table.Column<int>(type: "integer", nullable: true),
                    Bound = table.Column<int>(type: "integer", nullable: false),
                    Found = table.Column<int>(type: "integer", nullable: false),
                    Plan = table.Column<string>(type: "jsonb", nullable: true),
                    Said = table.Column<string>(type: "character varying(400)", maxLength: 400, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_long_searches", x => x.Id);
                    table.ForeignKey(
                        name: "FK_long_searches_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_long_searches_KitchenId_Date_AskedAt",
                table: "long_searches",
                columns: new[] { "KitchenId", "Date", "AskedAt" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "long_searches");
        }
    }
}
