using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class Benches : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "bench_sessions",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Title = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    DayDate = table.Column<LocalDate>(type: "date", nullable: true),
                    StartedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    EndedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    Document = table.Column<string>(type: "jsonb", nullable: false),
                    Plan = table.Column<string>(type: "jsonb", nullable: false),
                    Planned = table.Column<string>(type: "jsonb", nullable: false),
                    PlanNumber = table.Column<int>(type: "integer", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_bench_sessions", x => x.Id);
                    table.ForeignKey(
                        name: "FK_bench_sessions_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "bench_events",
                columns: table => new
                {
                    SessionId = table.Column<Guid>(type: "uuid", nullable: false),
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Seq = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityAlwaysColumn),
                    ToldAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_bench_events", x => new { x.SessionId, x.Id });
                    table.ForeignKey(
                        name: "FK_bench_events_bench_sessions_SessionId",
                        column: x => x.SessionId,
                        principalTable: "bench_sessions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_bench_events_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "bench_passes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    SessionId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    SecretHash = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    MadeAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    Until = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    UsedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    ShutOutAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_bench_passes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_bench_passes_bench_sessions_SessionId",
                        column: x => x.SessionId,
                        principalTable: "bench_sessions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_bench_passes_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_bench_events_KitchenId",
                table: "bench_events",
                column: "KitchenId");

            migrationBuilder.CreateIndex(
                name: "IX_bench_events_SessionId_Seq",
                table: "bench_events",
                columns: new[] { "SessionId", "Seq" });

            migrationBuilder.CreateIndex(
                name: "IX_bench_passes_KitchenId",
                table: "bench_passes",
                column: "KitchenId");

            migrationBuilder.CreateIndex(
                name: "IX_bench_passes_SecretHash",
                table: "bench_passes",
                column: "SecretHash",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_bench_passes_SessionId",
                table: "bench_passes",
                column: "SessionId");

            migrationBuilder.CreateIndex(
                name: "IX_bench_sessions_KitchenId",
                table: "bench_sessions",
                column: "KitchenId",
                unique: true,
                filter: "\"EndedAt\" IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_bench_sessions_KitchenId_StartedAt",
                table: "bench_sessions",
                columns: new[] { "KitchenId", "StartedAt" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "bench_events");

            migrationBuilder.DropTable(
                name: "bench_passes");

            migrationBuilder.DropTable(
                name: "bench_sessions");
        }
    }
}
