using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class Daybook : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Recorded",
                table: "bench_sessions",
                type: "character varying(60)",
                maxLength: 60,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "past_bakes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    SessionId = table.Column<Guid>(type: "uuid", nullable: true),
                    Place = table.Column<int>(type: "integer", nullable: false),
                    Date = table.Column<LocalDate>(type: "date", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_past_bakes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_past_bakes_bench_sessions_SessionId",
                        column: x => x.SessionId,
                        principalTable: "bench_sessions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.SetNull);
                    table.ForeignKey(
                        name: "FK_past_bakes_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "starter_refreshes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<LocalDateTime>(type: "timestamp without time zone", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_starter_refreshes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_starter_refreshes_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_past_bakes_KitchenId_Date",
                table: "past_bakes",
                columns: new[] { "KitchenId", "Date" });

            migrationBuilder.CreateIndex(
                name: "IX_past_bakes_SessionId_Place",
                table: "past_bakes",
                columns: new[] { "SessionId", "Place" },
                unique: true,
                filter: "\"SessionId\" IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "IX_starter_refreshes_KitchenId_At",
                table: "starter_refreshes",
                columns: new[] { "KitchenId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "past_bakes");

            migrationBuilder.DropTable(
                name: "starter_refreshes");

            migrationBuilder.DropColumn(
                name: "Recorded",
                table: "bench_sessions");
        }
    }
}
