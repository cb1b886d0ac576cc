using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Zymethos.Store.Migrations
{
    /// <inheritdoc />
    public partial class CakeFeeds : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "cake_feeds",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    KitchenId = table.Column<Guid>(type: "uuid", nullable: false),
                    BakeId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<LocalDateTime>(type: "timestamp without time zone", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_cake_feeds", x => x.Id);
                    table.ForeignKey(
                        name: "FK_cake_feeds_kitchens_KitchenId",
                        column: x => x.KitchenId,
                        principalTable: "kitchens",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_cake_feeds_KitchenId_At",
                table: "cake_feeds",
                columns: new[] { "KitchenId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "cake_feeds");
        }
    }
}
