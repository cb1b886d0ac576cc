using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class Devices : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "bench_photos",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    SessionId = table.Column<Guid>(type: "uuid", nullable: false),
                    KeptAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    Type = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false),
                    Bytes = table.Column<byte[]>(type: "bytea", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_bench_photos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_bench_photos_bench_sessions_SessionId",
                        column: x => x.SessionId,
                        principalTable: "bench_sessions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_bench_photos_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "device_doors",
                columns: table => new
                {
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Address = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    SecretHash = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    MadeAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_device_doors", x => x.KitchenId);
                    table.ForeignKey(
                        name: "FK_device_doors_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "devices",
                columns: table => new
                {
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(32)", maxLength: 32, nullable: false),
                    Title = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Kind = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false),
                    Oven = table.Column<int>(type: "integer", nullable: false),
                    FirstAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    LastAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    LastValue = table.Column<double>(type: "double precision", nullable: false),
                    Battery = table.Column<double>(type: "double precision", nullable: true),
                    Trouble = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_devices", x => new { x.KitchenId, x.Name });
                    table.ForeignKey(
                        name: "FK_devices_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "device_readings",
                columns: table => new
                {
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Device = table.Column<string>(type: "character varying(32)", maxLength: 32, nullable: false),
                    At = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    Value = table.Column<double>(type: "double precision", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_device_readings", x => new { x.KitchenId, x.Device, x.At });
                    table.ForeignKey(
                        name: "FK_device_readings_devices_KitchenId_Device",
                        columns: x => new { x.KitchenId, x.Device },
                        principalTable: "devices",
                        principalColumns: new[] { "KitchenId", "Name" },
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_device_readings_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_bench_photos_KitchenId",
                table: "bench_photos",
                column: "KitchenId");

            migrationBuilder.CreateIndex(
                name: "IX_bench_photos_SessionId",
                table: "bench_photos",
                column: "SessionId");

            migrationBuilder.CreateIndex(
                name: "IX_device_doors_Address",
                table: "device_doors",
                column: "Address",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "bench_photos");

            migrationBuilder.DropTable(
                name: "device_doors");

            migrationBuilder.DropTable(
                name: "device_readings");

            migrationBuilder.DropTable(
                name: "devices");
        }
    }
}
