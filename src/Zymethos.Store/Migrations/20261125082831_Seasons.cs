using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class Seasons : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "messages",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Key = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    To = table.Column<string>(type: "character varying(254)", maxLength: 254, nullable: false),
                    Subject = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Text = table.Column<string>(type: "text", nullable: false),
                    WrittenAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    SentAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    Trouble = table.Column<string>(type: "character varying(400)", maxLength: 400, nullable: false),
                    Attempts = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_messages", x => x.Id);
                    table.ForeignKey(
                        name: "FK_messages_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "seasons",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    Sheet = table.Column<string>(type: "jsonb", nullable: false),
                    Plan = table.Column<string>(type: "jsonb", nullable: true),
                    PlannedAt = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    Said = table.Column<string>(type: "text", nullable: false),
                    SheetBefore = table.Column<string>(type: "jsonb", nullable: true),
                    FeedKey = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: true),
                    RemindTo = table.Column<string>(type: "character varying(254)", maxLength: 254, nullable: false),
                    IsSearching = table.Column<bool>(type: "boolean", nullable: false),
                    StopAsked = table.Column<bool>(type: "boolean", nullable: false),
                    MadeAt = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_seasons", x => x.Id);
                    table.ForeignKey(
                        name: "FK_seasons_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_messages_KitchenId_Key",
                table: "messages",
                columns: new[] { "KitchenId", "Key" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_messages_KitchenId_WrittenAt",
                table: "messages",
                columns: new[] { "KitchenId", "WrittenAt" });

            migrationBuilder.CreateIndex(
                name: "IX_seasons_FeedKey",
                table: "seasons",
                column: "FeedKey",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_seasons_KitchenId_MadeAt",
                table: "seasons",
                columns: new[] { "KitchenId", "MadeAt" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "messages");

            migrationBuilder.DropTable(
                name: "seasons");
        }
    }
}
